# frozen_string_literal: true

module IronTrellis
  module Work
    module Decisions
      # Settling something, and having what hangs on it worked out again.
      module Decide
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
          described = Core::Decisions::Registry.fetch(kind)
          if values.size > MOST
            raise Core::Error::InvalidInput.new(
                    "At most #{MOST} things can be decided at once; these are #{values.size}."
                  )
          end

          read = read(site, described, values)
          ActiveRecord::Base.transaction do
            ids = site.decisions.decide(kind, read, by: by, now: now, note: note)
            follow(site, [kind], now) if ids.any?
            ids
          end
        end

        # Paths are of the site's main host; what is taken back is named as it was decided.
        def read(site, kind, values)
          settings, known = site.crawl_settings, site.decisions.values(kind.code)
          values.to_h do |one|
            subject, value = one.values_at("subject", "value")
            unless value.nil? && known.key?(subject)
              subject, value = kind.placed(subject, value) { |address| settings.whole(address) }
            end
            Core::Decisions::Registry.read(kind.code, subject, value)
          end
        end

        # @param site [Store::Sites::Site]
        # @param ids [Array<Integer>]
        # @param by [String]
        # @param now [Time]
        # @return [void]
        # @raise [Core::Error::Conflict]
        def undo(site, ids, by:, now:)
          ActiveRecord::Base.transaction do
            site.decisions.undo(ids, by: by, now: now)
            follow(site, Store::Decisions::Decision.where(id: ids).distinct.pluck(:kind), now)
          end
        end

        def follow(site, kinds, now)
          Judging::JudgingQueue.changed(site, now: now) if kinds.intersect?(Core::Decisions::Registry.judged)
        end
        private_class_method :read, :follow
      end
    end
  end
end
