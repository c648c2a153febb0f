# frozen_string_literal: true

module IronTrellis
  module Store
    module Intents
      # What an auditor decides by, group by group: how many pages it has, what of them may be indexed, what they are
      # worth; and what is proposed.
      class GroupEvidence
        # What is usual in a group is told of the pages that answer. Of what is to be kept out no rule says that it is
        # thin.
        ANSWERS = "status = 200"
        GROUPS = <<~SQL
          SELECT "group", count(*) AS pages, count(*) FILTER (WHERE intent = 'index') AS wanted, count(*) FILTER (WHERE
            intent = 'keep_out') AS kept_out, count(*) FILTER (WHERE intent = 'undecided') AS undecided,
            count(*) FILTER (WHERE indexable) AS indexable, count(*) FILTER (WHERE faults @> '{thin}' OR
              intent = 'keep_out' AND kind = 'html' AND #{ANSWERS} AND words < %<thin>d) AS thin,
            count(*) FILTER (WHERE copy_of IS NOT NULL) AS copies,
            count(*) FILTER (WHERE cardinality(in_sitemaps) > 0) AS listed, count(*) FILTER (WHERE intent_of IN ('url',
              'pattern')) AS exceptions,
            coalesce(percentile_disc(0.5) WITHIN GROUP (ORDER BY links_in) FILTER (WHERE #{ANSWERS}), 0) AS links_in,
              coalesce(sum(authority), 0) AS authority,
            percentile_disc(0.5) WITHIN GROUP (ORDER BY unique_share) AS unique_share,
            coalesce(percentile_disc(0.5) WITHIN GROUP (ORDER BY words) FILTER (WHERE #{ANSWERS}), 0) AS words,
            count(*) FILTER (WHERE standing = '#{Core::Evidence::Standing::IN_INDEX}') AS in_index,
            count(*) FILTER (WHERE clicks > 0) AS visited
          FROM %<ledger>s WHERE #{Ledger::Scopes.document} GROUP BY 1 ORDER BY count(*) DESC, 1
        SQL
        # What the search record of each window has of them.
        RECORDS = 'SELECT "group", span, clicks, impressions, visited FROM group_records WHERE run_id = $1'
        # So many pages tell what to propose; as ids are digests, the first of them are any.
        SAMPLE = 200_000
        PAGES = <<~SQL
          SELECT l.url_id, l.url, l.title, l."group", l.words, l.unique_share, l.indexable,
            cardinality(l.in_sitemaps) > 0 AS in_sitemap, l.kind, l.content_type, l.copy_of IS NOT NULL AS copy,
            l.links_in,
            l.canonical,
            coalesce(f.password, false) AS password
          FROM %<ledger>s l LEFT JOIN %<page_facts>s f USING (url_id)
          WHERE #{Ledger::Scopes.document(of: "l.")} AND l.status = 200 AND l.redirect_to IS NULL ORDER
            BY l.url_id LIMIT #{SAMPLE}
        SQL
        # Of those whose addresses may be of some kind: what links call them, and whether they name a page before or
        # after them.
        LINKED = <<~SQL
          SELECT c.id, (SELECT array_agg(text) FROM (SELECT DISTINCT text FROM %<links>s k WHERE k.target_id = c.id AND
            k.type = #{Pages::FactsRows::TYPES.fetch("anchor")} AND k.text <> '' LIMIT 5) t) AS anchors,
            EXISTS (SELECT 1 FROM %<links>s k WHERE k.source_id = c.id AND k.type IN
              (#{Pages::FactsRows::TYPES.values_at("next", "prev").join(", ")})) AS paged
          FROM unnest($1::bigint[]) AS c (id)
        SQL
        FORMS =
          "SELECT DISTINCT u.url FROM %<links>s k JOIN urls u ON u.id = k.target_id WHERE " \
            "k.type = #{Pages::FactsRows::TYPES.fetch("form")}".freeze
        MOST_URLS = 200
        # Pages of which nothing says yet that they should be indexed, and that something keeps out.
        STOPPED = <<~SQL
          SELECT url, "group", importance FROM %<ledger>s WHERE "group" = ANY($1::text[]) AND intent = 'undecided'
            AND NOT wanted AND NOT indexable AND kind = 'html' AND status = 200 AND importance IS NOT NULL
          ORDER BY url COLLATE "C"
        SQL

        # @param run [Judging::VerdictRun]
        # @param groups [Array<String>]
        # @return [Array<Hash>] url, group and importance of their pages that would be wanted and are kept out today
        def self.stopped(run, groups) =
          Postgres::Sql.rows(format(STOPPED, Postgres::Partitions.of_run(run)), [Postgres::Sql.array(groups)])

        # @param run [Judging::VerdictRun]
        # @param site [Sites::Site]
        def initialize(run, site)
          @names = Postgres::Partitions.of_run(run)
          @run = run
          @site = site
        end

        # @return [Array<Hash>] groups with their evidence, the largest first, each with what was decided about it (nil
        #   where nothing was)
        def groups
          decided = @site.decisions.in_force("group")
          records = self.records
          Postgres::Sql
            .rows(format(GROUPS, @names.merge(thin: @site.limits.for(nil).thin_words)))
            .map do |row|
              row.merge(
                "authority" => row["authority"].round(6),
                "unique_share" => row["unique_share"]&.to_f&.round(4),
                "record" => records.fetch(row["group"], {}),
                "decision" => decided[row["group"]]&.view
              )
            end
        end

        # @return [Hash{String => String}] by URL, what kind of page it is
        def kinds =
          pages.filter_map { |page| Core::Intents::Kinds.of(page)&.then { |kind, _| [page.url, kind.name] } }.to_h

        # What would be proposed if pages were grouped otherwise.
        #
        # @param names [Hash{String => String}] the group of each page by URL
        # @return [Array<Core::Intents::Proposals::Proposal>] for whole groups
        def proposals_of(names)
          regrouped = pages.each { |page| page.group = names[page.url] }.select(&:group)
          Core::Intents::Proposals
            .new(regrouped, {}, has_sitemaps: Pages::FactsTables.sitemaps?(@run.crawl_id))
            .call
            .select { |one| one.urls.nil? }
        end

        # @return [Array<Hash>] group, urls (nil for the group as a whole, at most MOST_URLS), count, intent, reasons,
        #   except (URLs of the group that stay as they are), sure (whether it may be taken with others at once)
        def proposals
          decisions = @site.decisions
          found =
            Core::Intents::Proposals.new(
              pages,
              decisions.values("group").transform_values { |value| value["intent"] },
              has_sitemaps: Pages::FactsTables.sitemaps?(@run.crawl_id)
            ).call
          intent_rules = @site.intent_rules
          found.filter_map { |one| build(one, intent_rules) }
        end

        private

        def records =
          Postgres::Sql
            .rows(RECORDS, [@run.id])
            .group_by { |row| row["group"] }
            .transform_values { |all| all.to_h { |row| [row["span"], row.except("group", "span")] } }

        def pages
          rows = Postgres::Sql.rows(format(PAGES, @names))
          keys = @site.key_pages.pluck(:url).to_h { |url| [url, true] }
          titles = rows.to_h { |row| [row["url"], row["title"]] }
          limits = @site.limits
          linked = linked(rows.select { |row| Core::Intents::Kinds.maybe?(row["url"]) }.map { |row| row["url_id"] })
          forms = Postgres::Sql.run(format(FORMS, @names)).column_values(0).to_h { |url| [url, true] }
          rows.map do |row|
            page(
              row,
              titles,
              linked.fetch(row["url_id"], {}),
              key_page: keys.key?(row["url"]),
              formed: forms.key?(bare(row["url"])),
              limits: limits.for(row["group"])
            )
          end
        end

        def page(row, titles, links, **known)
          bare = bare(row["url"])
          Core::Intents::Proposals::Page.new(
            **row.except("url_id", "canonical").transform_keys(&:to_sym),
            **known,
            anchors: links["anchors"] || [],
            paged: links["paged"] || false,
            bare_title: (titles[bare] unless bare == row["url"]),
            canonical_to_bare: bare != row["url"] && row["canonical"] == bare
          )
        end

        def linked(ids) =
          if ids.empty?
            {}
          else
            Postgres::Sql.rows(format(LINKED, @names), [Postgres::Sql.array(ids)]).to_h { |row| [row["id"], row] }
          end

        # The address without parameters, and without the number of a later page.
        def bare(url) = url.sub(/\?.*/m, "").sub(%r{/page/\d+/?\z}, "/")

        # What was decided for single URLs and by patterns isn't proposed again.
        def build(proposal, intent_rules)
          urls = proposal.urls&.reject { |url| %w[url pattern].include?(intent_rules.rule_for(url)&.of) }
          return if urls && urls.empty?

          {
            group: proposal.group,
            urls: urls&.first(MOST_URLS),
            count: urls&.size,
            intent: proposal.intent,
            reasons: proposal.reasons,
            except: proposal.except,
            sure: proposal.sure
          }
        end
      end
    end
  end
end
