# frozen_string_literal: true

module IronTrellis
  module Store
    module Intents
      # What has to be written where, page by page or for a group as one, so that each page says what was decided of it.
      class DirectiveList
        PAGES = <<~SQL
          SELECT l.url_id, l.url, l."group", l.kind, l.intent, l.wanted, l.robots_allowed AS allowed, l.robots_line,
            f.robots_rule, l.status = 200 AND l.redirect_to IS NULL AS direct, l.noindex, f.noindex_where,
            l.nofollow, l.follow, l.canonical, l.chosen_canonical AS chosen, l.indexable AS climbs, l.importance
          FROM %<ledger>s l LEFT JOIN %<page_facts>s f USING (url_id)
          WHERE l.kind IS DISTINCT FROM 'image' AND l.kind IS DISTINCT FROM 'script' AND l.kind IS DISTINCT FROM 'style'
            AND (l.intent = 'keep_out' OR l.follow IS NOT NULL OR l.chosen_canonical IS NOT NULL OR l.wanted AND
              (l.noindex OR l.robots_allowed IS FALSE)) ORDER BY l.url_id
        SQL
        MOST_ROWS = 500

        # @param run [Judging::VerdictRun]
        def initialize(run)
          @names = Postgres::Partitions.of_run(run)
        end

        # @return [Hash] groups ([{step, group, where, action, text, reason, warning, urls, pages, template, samples}],
        #   in the order of steps, the most first) and the number of all items
        def by_group
          sizes =
            Postgres::Sql
              .run(%(SELECT "group", count(*) FROM #{@names[:ledger]} WHERE #{Ledger::Scopes.document} GROUP BY 1))
              .values
              .to_h { |group, count| [group, count.to_i] }
          gathered =
            items.group_by do |item|
              [
                item.step,
                item.group,
                item.where,
                item.action,
                general(item.text),
                item.reason.sub(/ than http\S+/, ""),
                item.warning
              ]
            end
          {
            groups:
              gathered
                .map { |key, found| build(key, found, sizes) }
                .sort_by
                .with_index { |one, place| [one[:step], -one[:urls], place] },
            total: items.size
          }
        end

        # @return [Array<Core::Directives::DirectiveList::Item>] in the order in which they are to be done, what matters
        #   most first
        def items
          @items ||= begin
            rows = Postgres::Sql.rows(format(PAGES, @names)).sort_by { |row| [-(row["importance"] || 0), row["url"]] }
            Core::Directives::DirectiveList.of(
              rows.map do |row|
                Core::Directives::DirectiveList::Page.new(**row.except("url_id", "importance").transform_keys(&:to_sym))
              end
            )
          end
        end

        # @return [Array<Hash>] the first of them, for the screen
        def rows = items.first(MOST_ROWS).map(&:to_h)

        private

        # A canonical is another one on each page.
        def general(text) = text.include?("canonical") ? text.sub(%r{https?://[^">]+}, "…") : text

        def build(key, found, sizes)
          step, group, where, action, text, reason, warning = key
          pages = sizes.fetch(group, found.size)
          {
            step: step,
            group: group,
            where: where,
            action: action,
            text: text,
            reason: reason,
            warning: warning,
            urls: found.size,
            pages: pages,
            template: Core::Faults::TemplateFault.of?(found.size, pages),
            samples: found.first(3).map(&:url)
          }
        end
      end
    end
  end
end
