# frozen_string_literal: true

module IronTrellis
  module Work
    module Decisions
      # Settling something, and having what hangs on it worked out again.
      module Deciding
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
          Core::Decisions::Registry.fetch(kind)
          if values.size > MOST
            raise Core::Error::InvalidInput.new(
                    "At most #{MOST} things can be decided at once; these are #{values.size}."
                  )
          end

          values = values.map { |one| Redirects::Addressing.of_site(site, one) } if kind == "route"
          read = values.to_h { |one| Core::Decisions::Registry.read(kind, one["subject"], one["value"]) }
          ids = Store::Sites::Site.transaction { site.decisions.decide(kind, read, by: by, now: now, note: note) }
          follow(site, [kind], now) if ids.any?
          ids
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
          Judging::Asking.changed(site, now: now) if kinds.intersect?(Core::Decisions::Registry.judged)
        end
        private_class_method :follow
      end
    end
  end
end
