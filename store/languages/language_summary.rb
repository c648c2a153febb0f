# frozen_string_literal: true

module IronTrellis
  module Store
    module Languages
      # The languages of a site, summed up once when its crawl is judged: clusters with what is wrong with them, how
      # languages are laid out, bad codes, and pages that seem to belong together though they don't name each other.
      class LanguageSummary
        PAGES = <<~SQL
          SELECT l.url_id, l.url, l.title, l.lang, i.images, w.switch FROM %<ledger>s l
          LEFT JOIN (
            SELECT k.source_id, array_agg(DISTINCT k.target_id::text ORDER BY k.target_id::text) AS images FROM
              %<links>s k JOIN (
              SELECT target_id FROM %<links>s WHERE type = %<image>d GROUP BY 1 HAVING count(DISTINCT source_id) <=
                %<few>d
            ) rare USING (target_id) WHERE k.type = %<image>d GROUP BY 1
          ) i ON i.source_id = l.url_id
          LEFT JOIN (
            SELECT k.source_id, array_agg(DISTINCT t.url) AS switch FROM %<links>s k JOIN %<ledger>s t ON t.url_id =
              k.target_id
            WHERE k.type = %<anchor>d AND k.source_id <> k.target_id AND lower(k.text) = ANY($1::text[]) GROUP BY 1
          ) w ON w.source_id = l.url_id
          WHERE l.kind = 'html' AND l.indexable ORDER BY l.url_id
        SQL
        # What links of a switch say: languages by the names that their speakers have for them (from memory), or their
        # codes.
        NAMES = %w[
          english
          português
          italiano
          dansk
          norsk
          bokmål
          nynorsk
          deutsch
          français
          español
          nederlands
          svenska
          suomi
          polski
          čeština
          magyar
          română
          türkçe
          ελληνικά
          русский
          українська
          日本語
          中文
          한국어
          العربية
          עברית
        ].concat(Core::Languages::Codes::LANGUAGES.keys).freeze
        # An image on more pages than this belongs to the site, not to a page.
        FEW_PAGES = 10
        MOST_CLUSTERS = 2_000
        MOST_PROPOSALS = 1_000

        # @param run [Judging::VerdictRun] whose ledger stands
        # @param main_host [String]
        def initialize(run, main_host)
          @run = run
          @main_host = main_host
          @names =
            Postgres::Partitions.of_run(run).merge(
              image: Pages::FactsRows::TYPES.fetch("image"),
              anchor: Pages::FactsRows::TYPES.fetch("anchor"),
              few: FEW_PAGES
            )
        end

        # @return [Hash, nil] for keeping as JSON; nil where the site speaks one language and names no others
        def call
          @annotations = Annotations.new(@run).call
          return if @annotations.empty? && one_language?

          @pages = Postgres::Sql.rows(format(PAGES, @names), [Postgres::Sql.array(NAMES)])
          @spoken = Core::Languages::OfPlaces.new(@pages.to_h { |row| [row["url"], row["lang"]] })
          {
            clusters: clusters.first(MOST_CLUSTERS),
            total: clusters.size,
            whole: clusters.count { |one| one[:notes].empty? },
            hosts: clusters.flat_map { |one| one[:hosts] }.uniq.sort,
            layout: layout,
            codes: Core::Languages::CodesUsed.of(@annotations),
            proposals: proposals
          }
        end

        private

        def one_language? =
          Postgres::Sql
            .run(
              "SELECT count(DISTINCT lower(substring(lang FROM '^[a-zA-Z]+'))) FROM #{@names[:ledger]} WHERE kind = " \
              "'html' AND indexable AND lang <> ''"
            )
            .getvalue(0, 0)
            .to_i < 2

        # The most broken first.
        def clusters
          @clusters ||= begin
            by_page = @annotations.group_by(&:url)
            # A page that names nobody but itself is no set.
            sets = Core::Languages::Clusters.of(@annotations).select { |cluster| cluster.members.size > 1 }
            sets
              .map { |cluster| build_row(cluster, cluster.members.flat_map { |url| by_page.fetch(url, []) }) }
              .sort_by { |one| [-one[:holes], one[:first]] }
          end
        end

        def build_row(cluster, annotations)
          matrix = Core::Languages::Matrix.new(cluster, annotations)
          rows = matrix.rows
          {
            first: matrix.columns.values.min || cluster.members.first,
            members: cluster.members,
            hosts: cluster.members.map { |url| url[%r{\Ahttps?://([^/]+)}, 1] }.uniq,
            codes: matrix.columns.keys,
            holes: matrix.holes,
            states: rows.first(8).map { |row| row.cells.first(8).map { |cell| cell.state[0] }.join },
            notes: notes(matrix, rows)
          }
        end

        # What is to be said of it in a few words, the worst first.
        def notes(matrix, rows)
          silent = rows.select { |row| row.cells.all? { |cell| cell.state == "hole" } }
          holes = rows.sum { |row| row.cells.count { |cell| cell.state == "hole" } }
          [
            *matrix
              .columns
              .keys
              .map { |code| [code, Core::Languages::Tag.read(code)] }
              .reject { |_, tag| tag.usable? }
              .map { |code, _| "code #{code}" },
            (
              if silent.any?
                silent.one? ? "one page has no return link" : "#{silent.size} pages have no return link"
              end
            ),
            ("#{holes} return #{(holes == 1) ? "link is" : "links are"} missing" if holes.positive? && silent.empty?),
            ("names another page" if rows.any? { |row| row.cells.any? { |cell| cell.state == "other" } }),
            ("sources clash" if rows.any? { |row| row.cells.any?(&:clash) }),
            ("address left untranslated" if untranslated?(matrix)),
            ("no default" if matrix.columns.keys.none? { |code| code.casecmp?(Core::Languages::Matrix::DEFAULT) })
          ].compact
        end

        def untranslated?(matrix)
          titles = @titles ||= @pages.to_h { |row| [row["url"], row["title"]] }
          pages =
            matrix
              .columns
              .reject { |code, _| code.casecmp?(Core::Languages::Matrix::DEFAULT) }
              .transform_values { |url| [url, titles[url]] }
          Core::Languages::Slugs.untranslated(pages, pages.key?("en") ? "en" : pages.keys.first).any?
        end

        def layout =
          Core::Languages::Layout.new(@pages.to_h { |row| [row["url"], row["lang"]] }, @spoken, @main_host).call.to_h

        def proposals
          pages =
            @pages.map do |row|
              Core::Languages::Pairing::Page.new(
                url: row["url"],
                lang: row["lang"],
                title: row["title"],
                images: row["images"] || [],
                switch: row["switch"] || []
              )
            end
          titles = pages.to_h { |page| [page.url, page.title] }
          Core::Languages::Pairing.new(pages, @spoken, mutual).call.first(MOST_PROPOSALS).map do |one|
            main = one.pages.key?("en") ? "en" : one.pages.keys.first
            {
              pages: one.pages,
              reasons: one.reasons,
              untranslated:
                Core::Languages::Slugs.untranslated(one.pages.transform_values { |url| [url, titles[url]] }, main)
            }
          end
        end

        def mutual
          named = @annotations.to_h { |one| [[one.url, one.target], true] }
          named.keys.select { |url, target| url < target && named.key?([target, url]) }
        end
      end
    end
  end
end
