# frozen_string_literal: true

module IronTrellis
  module Work
    module Triage
      # Accepts what is proposed for URLs that an index left out: what can be decided is decided, all else is work, for
      # which fixes are made unless there are some.
      class Accepting
        # What kind of work the other acts are, and what it is called.
        WORK = {
          "repoint" => ["links", "Lead links to where these have gone"],
          "server" => ["server", "Have the server answer for these"],
          "link_or_retire" => ["links", "Link to these, or retire them"],
          "request" => ["request", "Ask for these to be fetched again"],
          "strengthen" => ["content", "Strengthen these, which the index passed over"]
        }.freeze
        # What the acts of the classes come to as decisions: kind, and value of one line.
        DECISIONS = {
          "close_off" => ["intent", ->(_) { {"intent" => "keep_out"} }],
          "open" => ["intent", ->(_) { {"intent" => "index"} }],
          "route" => [
            "route",
            ->(line) { {"to" => line["target"], "status" => 301, "why" => line["reasons"].first} if line["target"] }
          ],
          "merge" => ["canonical", ->(line) { {"target" => line["target"]} if line["target"] }]
        }.freeze

        # @param index [Store::Evidence::Index]
        def initialize(index)
          @index = index
          @lines = Store::Triage::KeptLines.new(index)
        end

        # @param ids [Array<Integer>]
        # @param by [String]
        # @param now [Time]
        # @return [Hash] decided and marked (how many URLs), open (URLs that need a target first)
        def call(ids, by:, now:)
          ActiveRecord::Base.transaction do
            told = {decided: 0, marked: 0, open: []}
            @lines.open(ids).group_by { |row| action(row) }.each { |act, rows| accept(act, rows, told, by, now) }
            told
          end
        end

        private

        # One that was put into another class is dealt with as that class is.
        def action(row) =
          row["own_class"] ? Core::Triage::Classes::ALL.fetch(row["class"]).action : row["line"]["action"]

        def accept(act, rows, told, by, now)
          kind, value = DECISIONS[act]
          return work(act, rows, told, by, now) unless kind

          usable, open = rows.partition { |row| value.call(row["line"]) }
          told[:open].concat(open.map { |row| row["line"]["url"] })
          values = usable.map { |row| {"subject" => row["line"]["url"], "value" => value.call(row["line"])} }
          return if values.empty?

          Decisions::Decide.decide(@index.site, kind, values, by: by, now: now, note: "left out by #{@index.name}")
          told[:decided] += take(usable, by, now)
        end

        def work(act, rows, told, by, now)
          kind, title = WORK[act]
          told[:marked] += take(rows, by, now)
          return unless kind

          planned = planned(kind)
          rows
            .reject { |row| planned.key?(row["line"]["url"]) }
            .group_by { |row| row["line"]["group"] }
            .each do |group, some|
              some
                .map { |row| row["line"]["url"] }
                .each_slice(Workplan::HandMade::MOST_URLS) do |urls|
                  Workplan::HandMade.add(
                    @index.site,
                    {
                      "kind" => kind,
                      "title" => "#{title}: #{group}",
                      "place" => group,
                      "urls" => urls,
                      "reason" => "left out by #{@index.name}"
                    },
                    by: by,
                    now: now
                  )
                end
            end
        end

        # URLs for which such work is planned already.
        def planned(kind) =
          Store::Workplan::Fix
            .of(@index.site)
            .where(kind: kind)
            .where.not(state: Core::Workplan::States::SETTLED)
            .flat_map { |fix| fix.urls.map { |one| [one["url"], true] } }
            .to_h

        def take(rows, by, now)
          @lines.accept(rows.map { |row| row["url_id"] }, by: by, now: now)
          rows.size
        end
      end
    end
  end
end
