# frozen_string_literal: true

module IronTrellis
  module Core
    module Proofs
      # Whether the target of a link is what a link rule suspects it of. Store::Judging::SuspectLinks has the same as
      # conditions of SQL; a test holds both to what a crawl of the stand-in finds.
      module Suspects
        HTML = %w[text/html application/xhtml+xml].freeze
        NO_SCRIPT = [*HTML, "text/css", "application/json"].freeze
        HREFLANG = %w[hreflang].freeze
        OK = (200..299)

        ALL = {
          outside: ->(_, target) { broken?(target) || (target.subject.final_status || 0) >= 400 },
          missing: ->(_, target) { Ledger::Predicates.missing?(target.subject) },
          failing: ->(_, target) { target.status ? target.status >= 500 : !target.subject.error.nil? },
          redirecting: ->(_, target) { !target.subject.redirect_to.nil? },
          noindexed: ->(_, target) { target.subject.noindex },
          blocked: ->(_, target) { target.subject.robots_allowed == false },
          diverted: ->(_, target) { target.subject.canonical_state == "other" },
          unanswering: ->(page, target) { page?(target) && named(target).none?(page.subject.url) },
          fuller: ->(page, target) { fuller?(page, target) },
          unlike_image: ->(_, target) { broken?(target) || HTML.include?(target.subject.content_type) },
          unlike_resource: ->(_, target) { broken?(target) || unlike_resource?(target.subject) },
          heavy: ->(_, _) { true },
          unnamed: ->(_, _) { true },
          unencrypted: ->(page, target) { [page, target].map { |one| scheme(one) } == %w[https http] },
          numbered: ->(_, _) { true }
        }.freeze

        module_function

        # @param targets [Symbol] one of those that LinkRule names
        # @param page [View] with the link
        # @param target [View]
        # @return [Boolean]
        def suspect?(targets, page, target) = ALL.fetch(targets).call(page, target) ? true : false

        def broken?(target) = Ledger::Predicates.broken?(target.subject)

        def page?(target) = target.subject.kind == "html" && OK.cover?(target.status)

        def scheme(view) = view.subject.url[/\A\w+/]

        def named(view) = (view.facts&.links || []).select { |link| HREFLANG.include?(link.type) }.map(&:target).uniq

        # It names the page and more than that names.
        def fuller?(page, target)
          return false unless page?(target) && named(target).include?(page.subject.url)

          (named(target) - [page.subject.url] - named(page)).any?
        end

        def unlike_resource?(target)
          type = target.content_type.to_s
          return type != "text/css" if target.kind == "style"

          target.kind == "script" && (NO_SCRIPT.include?(type) || type.start_with?("image/"))
        end
      end
    end
  end
end
