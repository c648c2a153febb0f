# frozen_string_literal: true

module IronTrellis
  module Store
    module Workplan
      # How much what is to be mended matters.
      class EntryImportance
        # The most important page that leads somewhere by a link, a frame or a redirect.
        LEADING = <<~SQL
          SELECT k.target_id, k.source_id, (#{Ledger::Scopes.own_page(of: "s.")}) AS own, s.importance
          FROM %<links>s k JOIN %<ledger>s s ON s.url_id = k.source_id
          WHERE k.target_id = ANY($1::bigint[]) AND k.type = ANY($2::smallint[]) AND k.source_id <> k.target_id
        SQL
        LEADS = %w[anchor frame redirect refresh].map { |name| Pages::FactsRows::TYPES.fetch(name) }.freeze
        MOST_REMOVES = 5
        HOSTS = <<~SQL
          SELECT substring(url FROM '^https?://(?:[^/@]*@)?([^/?#]+)') AS host, max(importance) AS importance
          FROM %<ledger>s WHERE importance IS NOT NULL GROUP BY 1
        SQL

        # @param names [Hash{Symbol => String}] tables of the run
        # @param files [Hash{String => Boolean}] addresses of sitemap files
        def initialize(names, files)
          @names, @files = names, files
        end

        # What isn't a page of its own counts the most important one that leads to it, through others of its kind too; a
        # file the most important page of its host.
        #
        # @param rows [Array<Hash>] of faults and decisions
        # @return [#call] gives of a row its importance
        def of(rows)
          led = led(rows.reject { |row| row["own"] || row["url_id"].nil? }.map { |row| row["url_id"] }.uniq)
          hosts = nil
          lambda do |row|
            next row["importance"] if row["own"] && !file?(row)
            next led.fetch(row["url_id"], 0) if row["url_id"] && !row["own"].nil? && !file?(row)

            hosts ||= Postgres::Sql.rows(format(HOSTS, @names)).to_h { |one| one.values_at("host", "importance") }
            hosts[Core::Url::Authority.of(row["url"])] || 0
          end
        end

        private

        # A robots.txt or a sitemap, whether pages link to it or not.
        def file?(row) = row["code"].start_with?("robots-") || @files.key?(row["url"])

        def led(ids)
          best = Hash.new(0)
          origins = ids.to_h { |id| [id, [id]] }
          MOST_REMOVES.times do
            break if origins.empty?

            behind = Hash.new { |all, id| all[id] = [] }
            sources(origins.keys).each do |row|
              from = origins[row["target_id"]]
              if row["own"]
                from.each { |id| best[id] = [best[id], row["importance"] || 0].max }
              else
                behind[row["source_id"]].concat(from).uniq!
              end
            end
            origins = behind
          end
          best
        end

        def sources(ids) =
          Postgres::Sql.rows(format(LEADING, @names), [Postgres::Sql.array(ids), Postgres::Sql.array(LEADS)])
      end
    end
  end
end
