# frozen_string_literal: true

module IronTrellis
  module Store
    module Deciding
      # What an auditor decides by, group by group: how many pages it has, what of them may be indexed, what they are worth; and what is proposed.
      class IntentBook
        GROUPS = <<~SQL
          SELECT "group", count(*) AS pages, count(*) FILTER (WHERE intent = 'index') AS wanted, count(*) FILTER (WHERE intent = 'keep_out') AS kept_out, count(*) FILTER (WHERE intent = 'undecided') AS undecided,
            count(*) FILTER (WHERE indexable) AS indexable, count(*) FILTER (WHERE faults @> '{thin}') AS thin, count(*) FILTER (WHERE copy_of IS NOT NULL) AS copies,
            count(*) FILTER (WHERE cardinality(in_sitemaps) > 0) AS listed, count(*) FILTER (WHERE intent_of IN ('url', 'pattern')) AS exceptions,
            coalesce(percentile_disc(0.5) WITHIN GROUP (ORDER BY links_in), 0) AS links_in, coalesce(sum(authority), 0) AS authority, percentile_disc(0.5) WITHIN GROUP (ORDER BY own_share) AS own_share,
            coalesce(percentile_disc(0.5) WITHIN GROUP (ORDER BY words), 0) AS words
          FROM %<ledger>s WHERE #{Ledger::Fields::DOCUMENTS} AND (status = 200 OR status IS NULL) GROUP BY 1 ORDER BY count(*) DESC, 1
        SQL
        # So many pages tell what to propose; as ids are digests, the first of them are any.
        SAMPLE = 200_000
        PAGES = <<~SQL
          SELECT url, title, "group", words, own_share, indexable, cardinality(in_sitemaps) > 0 AS in_sitemap FROM %<ledger>s
          WHERE #{Ledger::Fields::DOCUMENTS} AND status = 200 AND redirect_to IS NULL ORDER BY url_id LIMIT #{SAMPLE}
        SQL
        MOST_URLS = 200

        # @param run [VerdictRun]
        # @param site [Site]
        def initialize(run, site)
          @names = {ledger: Partitions.name("ledger_rows", run.id)}
          @site = site
        end

        # @return [Array<Hash>] groups with their evidence, the largest first, each with what was decided about it (nil where nothing was)
        def groups
          decided = @site.decisions.in_force("group")
          Sql.rows(format(GROUPS, @names)).map { |row| row.merge("authority" => row["authority"].round(6), "own_share" => row["own_share"]&.to_f&.round(4), "decision" => decided[row["group"]]&.view) }
        end

        # @return [Array<Hash>] group, urls (nil for the group as a whole, at most MOST_URLS), count, intent, reasons
        def proposals
          decisions = @site.decisions
          found = Core::Intents::Proposals.new(pages, decisions.values("group").transform_values { |value| value["intent"] }).call
          wishes = @site.wishes
          found.filter_map { |one| told(one, wishes) }
        end

        private

        def pages
          keys = @site.key_pages.pluck(:url).to_h { |url| [url, true] }
          Sql.rows(format(PAGES, @names)).map { |row| Core::Intents::Proposals::Page.new(**row.transform_keys(&:to_sym), key_page: keys.key?(row["url"])) }
        end

        # What was decided for single URLs and by patterns isn't proposed again.
        def told(proposal, wishes)
          urls = proposal.urls&.reject { |url| %w[url pattern].include?(wishes.wish_for(url)&.of) }
          return if urls && urls.empty?

          {group: proposal.group, urls: urls&.first(MOST_URLS), count: urls&.size, intent: proposal.intent, reasons: proposal.reasons}
        end
      end
    end
  end
end
