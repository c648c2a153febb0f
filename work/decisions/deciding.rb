# frozen_string_literal: true

module IronTrellis
  module Work
    module Decisions
      # Settling something, and having what hangs on it worked out again.
      module Deciding
        # What pages are judged by.
        JUDGED_BY = %w[intent group canonical].freeze
        MOST = 20_000

        module_function

        # @param site [Store::Sites::Site]
        # @param kind [String]
        # @param values [Array<Hash>] {"subject", "value"}
        # @param by [String]
        # @param now [Time]
        # @param note [String, nil]
        # @return [Array<Integer>] ids of the decisions made
        # @raise [Core::Error::InvalidInput] where one can't be used; nothing is decided then
        def decide(site, kind, values, by:, now:, note: nil)
          raise Core::Error::InvalidInput.new("“#{kind}” is no kind of decision.") unless Store::Decisions::Decision::KINDS.include?(kind)
          raise Core::Error::InvalidInput.new("At most #{MOST} things can be decided at once; these are #{values.size}.") if values.size > MOST

          values = values.map { |one| Redirects::Addressing.of_site(site, one) } if kind == "route"
          read = values.to_h { |one| Core::Decisions::Values.read(kind, one["subject"], one["value"]) }
          ids = Store::Sites::Site.transaction { site.decisions.decide(kind, read, by: by, now: now, note: note) }
          follow(site, [kind], now) if ids.any?
          ids
        end

        # What is wanted, by patterns and key pages, as a whole; what was decided for single URLs stays. Pages are judged again where that changes anything.
        #
        # @param site [Store::Sites::Site]
        # @param intents [Array<Hash>] {"pattern", "intent"}, the one that wins first
        # @param key_pages [Array<String>] URLs
        # @param by [String]
        # @param now [Time]
        # @return [void]
        # @raise [Core::Error::InvalidInput]
        def want(site, intents:, key_pages:, by:, now:)
          before = wishes(site)
          site.want(intents: intents, key_pages: key_pages, by: by, now: now, exceptions: true)
          follow(site, ["intent"], now) unless wishes(site) == before
        end

        # @param site [Store::Sites::Site]
        # @param ids [Array<Integer>]
        # @param by [String]
        # @param now [Time]
        # @return [void]
        # @raise [Core::Error::Conflict]
        def undo(site, ids, by:, now:)
          site.decisions.undo(ids, by: by, now: now)
          follow(site, Store::Decisions::Decision.where(id: ids).distinct.pluck(:kind), now)
        end

        def follow(site, kinds, now)
          newest = site.newest_crawl
          Crawling::Runs.judge_again(newest, now: now) if newest && kinds.intersect?(JUDGED_BY)
        end

        def wishes(site) = [site.decisions.values("intent"), site.key_pages.reload.pluck(:url).sort]
        private_class_method :follow, :wishes
      end
    end
  end
end
