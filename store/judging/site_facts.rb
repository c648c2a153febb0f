# frozen_string_literal: true

module IronTrellis
  module Store
    module Judging
      # What the rules of the site look at, for one crawl: its robots.txt and sitemap files, what its hosts answered,
      # spaces without end, and what pages say of the business.
      class SiteFacts
        # How many entries each sitemap has that are to be kept out, and the groups they are of.
        SITEMAPS = <<~SQL
          SELECT f.url, f.parent, f.kind, f.status, f.error, f.entries, f.faults, coalesce(e.unwanted, 0) AS unwanted,
            coalesce(e.groups, '{}') AS groups FROM sitemap_files f
          LEFT JOIN (
            SELECT e.sitemap_file_id, count(*) AS unwanted, array_agg(DISTINCT s."group" ORDER BY s."group") AS groups
            FROM %<sitemap_entries>s e JOIN %<stage>s s USING (url_id) WHERE s.intent = 'keep_out' GROUP BY 1
          ) e ON e.sitemap_file_id = f.id WHERE f.crawl_id = $1 AND f.state <> '#{Sitemaps::SitemapFiles::ABSENT}' ORDER
            BY f.url
        SQL
        SPACES = <<~SQL
          SELECT s.space, s.kind, s.taken AS most, min(f.url COLLATE "C") AS first_url FROM crawl_spaces s JOIN
            %<frontier>s f ON f.space_id = s.id
          WHERE s.crawl_id = $1 AND s.kind <> $2 GROUP BY s.id HAVING s.full_at IS NOT NULL OR s.taken >= $3 AND
            count(*) FILTER (WHERE f.state = #{Crawling::Frontier::STATES[:waiting]}) > 0 ORDER BY s.space
        SQL
        # A short crawl may end before such a space is full: then it is one where so many of it were fetched and more
        # were waiting.
        ENDLESS = 20
        SERVING =
          "SELECT DISTINCT substring(url FROM '^https?://[^/]+') FROM %<stage>s WHERE kind = 'html' AND status " \
          "BETWEEN 200 AND 299"
        LANGUAGES =
          "SELECT lower(substring(lang FROM '^[A-Za-z]+')) AS language, count(*) AS pages FROM %<stage>s WHERE kind " \
          "= 'html' AND indexable AND lang ~ '^[A-Za-z]' GROUP BY 1"
        NAMES_LANGUAGES = <<~SQL
          SELECT 1 FROM (SELECT 1 FROM %<page_facts>s WHERE hreflang IS NOT NULL AND hreflang <> '[]' UNION ALL SELECT 1
            FROM %<sitemap_entries>s WHERE alternates IS NOT NULL) named LIMIT 1
        SQL
        MISSING =
          "SELECT url FROM %<stage>s s WHERE #{Ledger::Scopes.lost(of: "s.")} AND #{Ledger::Scopes.missing(of: "s.")}"
        ANSWERING = "SELECT url FROM %<stage>s s WHERE #{Ledger::Scopes.document(of: "s.")} AND status < 400"
        DATA =
          "SELECT f.url, p.data FROM %<page_facts>s p JOIN %<frontier>s f USING (url_id) WHERE p.data IS NOT NULL " \
          "AND p.status BETWEEN 200 AND 299"

        CONTACTS =
          "SELECT f.url, p.contacts FROM %<page_facts>s p JOIN %<frontier>s f USING (url_id) WHERE p.contacts IS NOT " \
          "NULL AND p.status BETWEEN 200 AND 299"

        # @param stage [String] the table of staged rows
        # @param crawl [Crawling::Crawl]
        def initialize(stage, crawl)
          @crawl = crawl
          @names = Postgres::Partitions.of_crawl(crawl.id).merge(stage: stage)
        end

        # @return [Core::Faults::SiteEvidence]
        def call
          settings = @crawl.crawl_settings
          Core::Faults::SiteEvidence.new(
            home: settings.first_urls.first,
            reads_sitemaps: @crawl.whole? && settings.read_sitemaps,
            robots: robots(settings.scope),
            probes: Crawling::Probes.new(@crawl).all,
            sitemaps: Postgres::Sql.rows(format(SITEMAPS, @names), [@crawl.id]),
            spaces: Postgres::Sql.rows(format(SPACES, @names), [@crawl.id, Core::Url::Spaces::PATTERN, ENDLESS]),
            broken_sections: broken_sections,
            odd_facts: odd_facts,
            serving: Postgres::Sql.run(format(SERVING, @names)).column_values(0),
            languages:
              (
                if @crawl.whole?
                  Postgres::Sql.rows(format(LANGUAGES, @names)).to_h { |row| row.values_at("language", "pages") }
                else
                  {}
                end
              ),
            names_languages: Postgres::Sql.run(format(NAMES_LANGUAGES, @names)).ntuples.positive?
          )
        end

        private

        def robots(scope) = Robots::RobotsFiles.all(@crawl.id).select { |file| scope.host?("#{file["origin"]}/") }

        def broken_sections
          missing = Postgres::Sql.run(format(MISSING, @names)).column_values(0)
          Core::Redirects::BrokenSections.of(missing, Enumerator.new { |each| answering { |url| each << url } })
        end

        def answering
          Postgres::Sql.stream(format(ANSWERING, @names)) { |rows| rows.each { |row| yield row["url"] } }
        end

        def odd_facts
          facts = Core::StructuredData::BusinessFacts.new
          Postgres::Sql.stream(format(DATA, @names)) do |rows|
            rows.each { |row| facts.add(row["url"], row["data"].map { |one| Core::StructuredData::Item.from(one) }) }
          end
          texts = Core::StructuredData::FactsInText.new(facts.businesses)
          Postgres::Sql.stream(format(CONTACTS, @names)) do |rows|
            rows.each { |row| texts.add(row["url"], row["contacts"]) }
          end
          (facts.odd + texts.odd).uniq
        end
      end
    end
  end
end
