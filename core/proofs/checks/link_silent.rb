# frozen_string_literal: true

module IronTrellis
  module Core
    module Proofs
      module Checks
        # The link is gone, or its target isn't what it was suspected of any more.
        module LinkSilent
          module_function

          # @return [Array(Boolean, String)]
          def call(condition, probe)
            rule = Faults::Registry.fetch(condition.code)
            page = probe.page(condition.url)
            links = page.links_to(condition.about, rule.links)
            return true, "the link is gone" if links.empty?

            target = probe.page(condition.about)
            suspect = Suspects.suspect?(rule.targets, page, target)
            return true, target.explain unless suspect && faulty?(rule, page, target, links, probe)

            [false, "it has the link still, and #{target.explain}"]
          end

          def faulty?(rule, page, target, links, probe)
            shown = links.map { |link| {text: link.text, place: link.place, px: link.px}.compact }
            shown.each { |link| link[:text] ||= nil }
            probe
              .judge(rule, page.subject.group)
              .check(page.subject, target.subject, shown, **(rule.once? ? {targets: 1} : {}))
          end
          private_class_method :faulty?
        end
      end
    end
  end
end
