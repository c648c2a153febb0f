# frozen_string_literal: true

module IronTrellis
  module Core
    module Proofs
      module Checks
        # The link is gone, or its target isn't what it was suspected of any more.
        module LinkSilent
          module_function

          # @return [Array(Boolean, String)]
          def call(condition, world)
            rule = Faults::Registry.fetch(condition.code)
            page = world.page(condition.url)
            links = page.links_to(condition.about, rule.links)
            return true, "the link is gone" if links.empty?

            target = world.page(condition.about)
            suspect = Suspects.suspect?(rule.targets, page, target)
            return true, target.told unless suspect && told?(rule, page, target, links, world)

            [false, "it has the link still, and #{target.told}"]
          end

          def told?(rule, page, target, links, world)
            shown = links.map { |link| {text: link.text, place: link.place, px: link.px}.compact }
            shown.each { |link| link[:text] ||= nil }
            world
              .judge(rule, page.subject.group)
              .check(page.subject, target.subject, shown, **(rule.once? ? {targets: 1} : {}))
          end
          private_class_method :told?
        end
      end
    end
  end
end
