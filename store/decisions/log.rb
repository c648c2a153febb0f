# frozen_string_literal: true

module IronTrellis
  module Store
    module Decisions
      # The decisions of one site: of each subject the newest that wasn't undone is in force. Nothing is ever changed or
      # removed, so who decided what, when and why can always be told.
      class Log
        IN_FORCE = <<~SQL
          SELECT * FROM (SELECT DISTINCT ON (subject) * FROM decisions WHERE site_id = ? AND kind = ? AND undone_at IS
            NULL ORDER BY subject, id DESC) newest
          WHERE value IS NOT NULL AND value <> 'null' ORDER BY id
        SQL
        MOST_NOTE = 2_000
        # One statement takes so many at once.
        PORTION = 1_000

        # @param site [Sites::Site]
        def initialize(site)
          @site = site
        end

        # @param kind [String]
        # @return [Hash{String => Object}] what is settled, by subject, in the order in which it was
        def values(kind) = in_force(kind).transform_values(&:value)

        # @param kind [String]
        # @return [Hash{String => Decision}] by subject, in order
        def in_force(kind)
          raise ArgumentError, "#{kind} is no kind of decision" unless Core::Decisions::Registry.codes.include?(kind)

          Decision.find_by_sql([IN_FORCE, @site.id, kind]).to_h { |one| [one.subject, one] }
        end

        # @param kind [String]
        # @param values [Hash{String => Object, nil}] by subject; nil for nothing any more
        # @param by [String] who decides
        # @param now [Time]
        # @param note [String, nil] why
        # @return [Array<Integer>] ids of the decisions made: what is in force already isn't decided again
        # @raise [Core::Error::InvalidInput]
        def decide(kind, values, by:, now:, note: nil)
          if note.to_s.size > MOST_NOTE
            raise Core::Error::InvalidInput.new("A note has at most #{MOST_NOTE} characters.")
          end

          current = values(kind)
          changed = values.reject { |subject, value| current[subject] == value }
          rows =
            changed.map do |subject, value|
              {
                site_id: @site.id,
                kind: kind,
                subject: subject,
                value: value,
                note: note.to_s.strip.then { |text| text unless text.empty? },
                made_by: by,
                made_at: now
              }
            end
          rows.each_slice(PORTION).flat_map { |slice| Decision.insert_all!(slice, returning: :id).rows.flatten }
        end

        # @param ids [Array<Integer>]
        # @param by [String]
        # @param now [Time]
        # @return [void]
        # @raise [Core::Error::Conflict] where something newer was decided, or one was undone already; nothing is undone
        #   then
        def undo(ids, by:, now:)
          Decision.transaction do
            ids.sort.reverse_each { |id| undo_one(Decision.where(site_id: @site.id).fetch(id), by, now) }
          end
        end

        # @param kinds [Array<String>]
        # @param limit [Integer]
        # @return [Array<Decision>] the newest first, undone ones too
        def recent(kinds: Core::Decisions::Registry.codes, limit: 200) =
          Decision.where(site_id: @site.id, kind: kinds).order(id: :desc).limit(limit)

        # @param url [String]
        # @param group [String]
        # @return [Array<Decision>] what was ever decided about a URL, its group, or patterns that it matches, the
        #   newest first
        def about(url, group)
          named = Decision.where(site_id: @site.id).where("subject = ? OR kind = 'group' AND subject = ?", url, group)
          patterns =
            Decision
              .where(site_id: @site.id, kind: %w[intent canonical route])
              .where("subject <> ? AND (subject LIKE '%*%' OR subject LIKE '/%')", url)
              .select { |one| matches?(one.subject, url) }
          (named + patterns).uniq.sort_by { |one| -one.id }
        end

        private

        def undo_one(decision, by, now)
          raise Core::Error::Conflict.new("That was undone already.") if decision.undone_at

          newer =
            Decision
              .where(site_id: @site.id, kind: decision.kind, subject: decision.subject, undone_at: nil)
              .where("id > ?", decision.id)
              .exists?
          if newer
            raise Core::Error::Conflict.new("Something newer was decided about “#{decision.subject}”. Undo that first.")
          end

          decision.update!(undone_by: by, undone_at: now)
        end

        def matches?(subject, url)
          Core::Url::Pattern.new(subject).match?(url)
        rescue Core::Url::Pattern::Malformed
          false
        end
      end
    end
  end
end
