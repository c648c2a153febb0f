# frozen_string_literal: true

module IronTrellis
  module Store
    module Languages
      # The sets of languages that a site shall have: those that were decided, and of the rest the clusters that it
      # names itself, with their codes put right.
      class LanguageSets
        # @param run [Judging::VerdictRun]
        # @param site [Sites::Site]
        def initialize(run, site)
          @run = run
          @site = site
        end

        # @return [Array<Core::Languages::CompleteSet>]
        def all
          decided = @site.decisions.values("languages").values.map { |value| value["pages"] }
          taken = decided.flat_map(&:values).to_h { |url| [url, true] }
          (decided + clusters.reject { |pages| pages.each_value.any? { |url| taken.key?(url) } }).map do |pages|
            Core::Languages::CompleteSet.new(pages, main: main_language)
          end
        end

        # @return [Array<Core::Languages::CompleteSet>] of pages that seem to belong together and don't name each other
        def proposed =
          (@run.languages || {}).fetch("proposals", []).map do |one|
            Core::Languages::CompleteSet.new(one["pages"], main: main_language)
          end

        # @return [Hash{String => Hash{String => String}}] by page the URL for each code
        def by_url = all.each_with_object({}) { |set, found| set.to_h.values.uniq.each { |url| found[url] = set.to_h } }

        # @return [Array<Hash>] by host, how many pages need lines that they don't carry yet, and how many lines ({host,
        #   pages, lines}), most first
        def still_to_add
          carried(missing: true).group_by { |page| host_of(page.url) }
            .map { |host, ones| {host: host, pages: ones.size, lines: ones.sum { |page| page.lines.size }} }
            .sort_by { |one| [-one[:pages], one[:host]] }
        end

        # @return [Array<String>] pages that carry annotations and belong to no set: nothing else speaks of the same in
        #   another language, or another page stands for them there; they should carry none
        def alone = (all_annotations.keys - by_url.keys).sort

        # @param missing [Boolean] only what pages don't carry yet
        # @param host [String, nil] only for its pages
        # @return [Array<Core::Languages::Carried>] each page with the lines that it has to be given; those that need
        #   none aren't among them
        def carried(missing: false, host: nil)
          all.flat_map do |set|
            set.to_h.values.uniq.filter_map do |url|
              next unless host.nil? || host_of(url) == host

              lines = lines_for(set, url, missing)
              Core::Languages::Carried.new(url, lines, set) if lines.any?
            end
          end
        end

        # @param cluster [Hash] of the summary
        # @return [Hash] cluster, columns ({code => url}), rows ([{url, url_id, status, redirect_to, noindex, cells}]),
        #   set (lines in each form, by page), decision
        def detail(cluster)
          annotations = annotations_of(cluster["members"])
          matrix =
            Core::Languages::Matrix.new(
              Core::Languages::Clusters.of(annotations).find { |one| one.members.include?(cluster["first"]) },
              annotations
            )
          known = known(cluster["members"])
          decision = decision(cluster["members"])
          {
            first: cluster["first"],
            notes: cluster["notes"],
            columns: matrix.columns,
            rows: matrix.rows.map { |row| row(row, known) },
            pages: decision ? decision.value["pages"] : pages_of(matrix.columns),
            decision: decision&.view
          }
        end

        # @param pages [Hash{String => String}] URL by code; paths are of the site's main host
        # @return [Hash] head, header, sitemap: what each page of the set must carry
        # @raise [Core::Error::InvalidInput]
        def lines(pages)
          settings = @site.crawl_settings
          whole = pages.transform_values { |url| settings.whole(url) }
          set = Core::Languages::CompleteSet.new(whole, main: main_language)
          {
            pages: set.to_h,
            head: set.head_lines.join("\n"),
            header: "Link: #{set.header}",
            sitemap: set.sitemap_entries
          }
        end

        private

        def main_language
          return @main_language if defined?(@main_language)

          id = Core::Url::NormalForm.id(@site.id, @site.crawl_settings.first_urls.first)
          ledger = Postgres::Partitions.name("ledger_rows", @run.id)
          row = Postgres::Sql.rows("SELECT lang FROM #{ledger} WHERE url_id = $1", [id]).first
          @main_language = row&.fetch("lang")
        end

        def lines_for(set, url, missing)
          return set.to_h unless missing

          carried = all_annotations.fetch(url, []).to_h { |one| [[one.code.downcase, one.target], true] }
          set.to_h.reject { |code, target| carried.key?([code.downcase, target]) }
        end

        def host_of(url) = url[%r{\Ahttps?://([^/]+)}, 1]

        def clusters
          columns = (@run.languages || {}).fetch("clusters", []).filter_map { |cluster| columns_of(cluster) }
          look_up(columns.flat_map(&:values))
          columns.map { |one| pages_of(one) }.select { |pages| pages.except(Core::Languages::Matrix::DEFAULT).size > 1 }
        end

        def columns_of(cluster)
          annotations = cluster["members"].flat_map { |url| all_annotations.fetch(url, []) }
          found = Core::Languages::Clusters.of(annotations).find { |one| one.members.include?(cluster["first"]) }
          Core::Languages::Matrix.new(found, annotations).columns if found
        end

        def all_annotations = @all_annotations ||= Annotations.new(@run).call.group_by(&:url)

        def annotations_of(urls) =
          Annotations.new(@run).call(urls.map { |url| Core::Url::NormalForm.id(@site.id, url) })

        # By the code that was probably meant; what can't be put right is left out, and so is what doesn't stand for
        # itself.
        def pages_of(columns)
          columns.filter_map do |code, url|
            tag = Core::Languages::Tag.read(code)
            right = tag.usable? ? code : tag.likely
            page = standing(url)
            [right, page] if right && page
          end.to_h
        end

        # Where a redirect leads counts for what it was named for.
        def standing(url)
          look_up([url]) unless @standing&.key?(url)
          @standing[url]
        end

        # What stands for each of these URLs, asked for all at once; nil where nothing does.
        def look_up(urls)
          @standing ||= {}
          ids = urls.uniq.map { |url| Core::Url::NormalForm.id(@site.id, url) }
          rows =
            Postgres::Sql.rows(
              "SELECT url, indexable, redirect_to, final_url, final_status " \
              "FROM #{Postgres::Partitions.name("ledger_rows", @run.id)} WHERE url_id = ANY($1::bigint[])",
              [Postgres::Sql.array(ids)]
            )
          @standing.merge!(
            urls.to_h { |url| [url, nil] },
            rows.to_h do |row|
              [
                row["url"],
                row["indexable"] ? row["url"] : (row["final_url"] if row["redirect_to"] && row["final_status"] == 200)
              ]
            end
          )
        end

        def decision(members) =
          @site.decisions.in_force("languages").each_value.find { |one| one.value["pages"].values.intersect?(members) }

        def known(urls)
          ledger = Postgres::Partitions.name("ledger_rows", @run.id)
          Postgres::Sql
            .rows(
              "SELECT url_id::text AS url_id, url, title, lang, status, redirect_to, noindex, robots_allowed, " \
              "canonical_state FROM #{ledger} WHERE url_id = ANY($1::bigint[])",
              [Postgres::Sql.array(urls.map { |url| Core::Url::NormalForm.id(@site.id, url) })]
            )
            .to_h { |row| [row["url"], row] }
        end

        def row(row, known)
          page = known[row.url] || {}
          {
            url: row.url,
            url_id: page["url_id"],
            lang: page["lang"],
            status: page["status"],
            redirect_to: page["redirect_to"],
            noindex: page["noindex"],
            allowed: page["robots_allowed"],
            diverted: page["canonical_state"] == "other",
            cells: row.cells.map(&:to_h)
          }
        end
      end
    end
  end
end
