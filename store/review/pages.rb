# frozen_string_literal: true

module IronTrellis
  module Store
    module Review
      # The pages of chosen groups against the yardsticks, the weakest first, with what was decided about each.
      class Pages
        include Enumerable

        MOST = 200
        # So many pages are laid against yardsticks for one screen.
        PICKED = 20_000
        SHOWN = %w[url title clicks impressions position words links_in].freeze
        COLUMNS = %w[
          url
          group
          score
          met
          of
          clicks
          impressions
          position
          words
          links_in
          last_change
          decision
          target
          note
        ].freeze

        # @param run [Judging::VerdictRun]
        # @param group [String, nil] nil for all
        def initialize(run, group: nil)
          @run = run
          @site = run.crawl.site
          @group = group
          @yardsticks = self.class.yardsticks(@site)
        end

        # @param site [Sites::Site]
        # @return [Array<Core::Review::Yardstick>]
        def self.yardsticks(site)
          given = site.review_yardsticks || Core::Review::Yardstick::DEFAULT
          given.map { |one| Core::Review::Yardstick.read(one) }
        end

        # @param from [Integer]
        # @return [Hash] yardsticks, groups, rows ([{url_id, …, met, score, decision}]), total
        def page(from: 0)
          all = scored
          {
            yardsticks: @yardsticks.map(&:to_h),
            groups: groups,
            rows: all.drop(from).first(MOST).map { |row| view(row) },
            total: all.size
          }
        end

        # @return [Array<String>]
        def columns = COLUMNS

        # @yieldparam row [Array<Object>] values in the order of the columns
        # @return [void]
        def each
          scored.each do |row|
            value = decisions[row["url"]]
            yield(
              [
                row["url"],
                row["group"],
                row["score"]&.round(3),
                row["met"].count(true),
                row["met"].size,
                *row.values_at("clicks", "impressions", "position", "words", "links_in", "last_change"),
                value&.value&.fetch("fate"),
                value&.value&.fetch("target", nil),
                value&.note
              ]
            )
          end
        end

        private

        def scored
          fields = (@yardsticks.map(&:field) + SHOWN + %w[group]).uniq.map { |name| %(l."#{name}") }.join(", ")
          rows = Postgres::Sql.rows(<<~SQL, [@group])
            SELECT l.url_id, #{fields}, e.last_change FROM #{Postgres::Partitions.name("ledger_rows", @run.id)} l
            LEFT JOIN (SELECT url_id, max(lastmod) AS last_change FROM
              #{Postgres::Partitions.name("sitemap_entries", @run.crawl_id)} GROUP BY 1) e USING (url_id)
            WHERE l.kind = 'html' AND l.status = 200 AND ($1::text IS NULL OR l."group" = $1) ORDER BY l.url_id LIMIT
              #{PICKED}
          SQL
          rows.each { |row| row["met"], row["score"] = Core::Review::Score.of(@yardsticks, row) }
          rows.sort_by { |row| [row["score"] || 2, row["url"]] }
        end

        def decisions = @decisions ||= @site.decisions.in_force("review")

        def view(row)
          decision = decisions[row["url"]]
          row.slice(*SHOWN, "group", "met", "score", "last_change").merge(
            "url_id" => row["url_id"].to_s,
            "decision" => decision&.view
          )
        end

        def groups
          Postgres::Sql.rows(
            "SELECT \"group\" AS name, count(*) AS pages FROM " \
              "#{Postgres::Partitions.name("ledger_rows", @run.id)} WHERE kind = 'html' AND status = 200 GROUP BY 1 " \
              "ORDER BY 2 DESC LIMIT 100"
          )
        end
      end
    end
  end
end
