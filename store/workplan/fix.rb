# frozen_string_literal: true

require "time"

module IronTrellis
  module Store
    module Workplan
      # Work that one person can do in one go. Its number is never used again.
      class Fix < Postgres::Record
        self.table_name = "fixes"

        States = Core::Workplan::States
        # What stays as it was when a fix was made first.
        UNSETTLED = <<~SQL
          SELECT DISTINCT one ->> 'url' FROM fixes f, jsonb_array_elements(f.urls) one
          WHERE f.site_id = $1 AND one ->> 'url' = ANY($2::text[]) AND f.state <> ALL($3::text[])
        SQL
        # What outsiders are told of a fault; its key is ours.
        TOLD = %w[code url about].freeze
        PARTS = Core::Workplan::Worth::Part.members.map(&:to_s).freeze
        MADE = %w[site_id number kind place cause made_at changed_at].freeze

        # What to decide first and what comes later last, else by benefit an hour, ties by the trade's order.
        ORDER = <<~SQL
          (cause = '#{Core::Workplan::Roles::DECIDE}' AND NOT hand_made) DESC,
          (cause = '#{Core::Workplan::FixBuilder::LATER}' AND NOT hand_made), benefit / greatest(hours, 0.01) DESC,
          array_position(ARRAY['#{Core::Workplan::Kinds::IN_ORDER.join("', '")}'], kind), number
        SQL

        belongs_to :site, class_name: "IronTrellis::Store::Sites::Site"

        class << self
          # @param number [Integer]
          # @return [String] its id, such as F12
          def name_of(number) = "F#{number}"

          # @param rows [Array<Hash{Symbol => Object}>] fixes as they were made anew, all with the same columns
          # @return [void]
          def keep(rows) =
            upsert_all(rows, unique_by: %i[site_id number], update_only: rows.first.keys - MADE.map(&:to_sym))

          # @param site [Sites::Site]
          # @param urls [Array<String>]
          # @return [Array<String>] those of them of which a fix isn't settled
          def unsettled(site, urls) =
            Postgres::Sql.run(
              UNSETTLED,
              [site.id, *[urls, States::SETTLED].map { |some| Postgres::Sql.array(some) }]
            ).column_values(0)

          # @param site [Sites::Site]
          # @return [ActiveRecord::Relation]
          def of(site) = where(site_id: site.id)

          # @param site [Sites::Site]
          # @return [ActiveRecord::Relation] by benefit an hour, then by number
          def in_order(site) =
            of(site).order(Arel.sql(ORDER))

          # @param site [Sites::Site]
          # @param ids [Array<String>] such as F12
          # @return [Array<Fix>]
          # @raise [Core::Error::InvalidInput] where one isn't there
          def named(site, ids)
            found = of(site).where(number: ids.map { |id| number(id) }).index_by(&:name)
            ids.map do |id|
              found[id.upcase] || raise(Core::Error::InvalidInput.new("There is no fix #{id} of #{site.name}."))
            end
          end

          private

          def number(id) = id[/\AF(\d{1,9})\z/i, 1].to_i
        end

        # @return [String] its id, such as F12
        def name = self.class.name_of(number)

        # @return [String] whose work it is (Core::Workplan::Roles)
        def role = Core::Workplan::Roles.of(kind, cause, template)

        # @return [Array<Hash>] faults that somebody still wants mended
        def standing = lapsed.empty? ? faults : faults - lapsed

        # @return [String, nil] why it lapsed
        def lapse = (history.last&.fetch("why", nil) if state == States::LAPSED)

        # @return [Array(String, String, String)] by which it is told again
        def key = [kind, place, cause]

        # @param state [String] of Core::Workplan::States
        # @param by [String, nil]
        # @param now [Time]
        # @param why [String, nil]
        # @param crawl [Integer, nil] the number of the crawl that showed it
        # @return [void]
        def become(state, now:, by: nil, why: nil, crawl: nil)
          return if state == self.state

          entry = {"at" => now.utc.iso8601(3), "state" => state, "by" => by, "why" => why, "crawl" => crawl}.compact
          update!(
            state: state,
            **({claimed_at: now} if state == States::CLAIMED).to_h,
            **({proved_at: now} if state == States::PROVED).to_h,
            history: history + [entry],
            changed_at: now
          )
        end

        # @param settled [Hash{Integer => Boolean}] numbers of those that nobody has to wait for any more
        # @return [Hash{String => Object}] as `bin/trellis fixes` writes it
        def export_row(settled) =
          brief(settled).merge(
            "faults" => faults.map { |one| one.slice(*TOLD) },
            "settles" => settles.map { |one| one.slice(*TOLD) },
            "urls" => urls.map { |one| one.slice(*PARTS) }
          )

        # @param settled [Hash{Integer => Boolean}]
        # @return [Hash{String => Object}] the same without what is long
        def brief(settled)
          {
            "id" => name,
            **slice("kind", "title", "place", "cause", "role", "template", "benefit", "hours", "owner"),
            "after" => (after | own_after).reject { |one| settled[one] }.sort.map { |one| self.class.name_of(one) },
            **slice("not_before", "deadline", "start", "finish").transform_values { |day| day&.iso8601 },
            **slice("state")
          }
        end
      end
    end
  end
end
