# frozen_string_literal: true

require "time"

module IronTrellis
  module Work
    module Lists
      # Joins somebody's list of URLs with what is known of them: every row stays, in its order and with its own
      # columns.
      class Joining
        MOST = 200_000
        PORTION = 5_000
        FIELD = "url"
        LIVE = %w[live_status live_final_url checked_at].freeze
        # A list without a heading.
        ADDRESS = %r{\Ahttps?://}i

        # @param site [Store::Sites::Site]
        # @param path [String]
        # @param heading [String, nil] of the column with the URLs; "url" unless told
        # @param clock [#call]
        # @raise [Core::Error::InvalidInput]
        # @raise [Core::Error::Conflict] where nothing was crawled
        def initialize(site, path, heading: nil, clock: -> { Time.now })
          @site = site
          @clock = clock
          @bad = []
          @known = Store::Lists::KnownRows.new(site.newest_verdicts)
          Ports::Tables::UploadedTable.open(path) { |table| read(table, heading) }
        end

        # @return [Array<Ports::Tables::CsvRows::Bad>] lines that can't be read
        attr_reader :bad

        # @return [Array<String>] headings of the joined table
        def columns
          ours = ["matched_by", *@known.columns, *LIVE]
          @headings.map { |heading| ours.include?(heading) ? "own #{heading}" : heading } + ours
        end

        # @param fetch [Boolean] whether each URL is looked at now
        # @yieldparam done [Integer]
        # @yieldparam total [Integer]
        # @return [Array<Array<Object>>] rows in the order of the list
        def call(fetch:, &progress)
          matched = @rows.each_slice(PORTION).flat_map { |some| match(some) }
          live = fetch ? look(matched, &progress) : {}
          @rows
            .zip(matched)
            .map { |(cells, url), (way, values)| joined(cells, way, values, live[looked_at(url, values)]) }
        end

        private

        def read(table, heading)
          @headings = table.headings
          @rows = []
          if heading.nil? && @headings.first.to_s.match?(ADDRESS)
            add(@headings)
            @headings = [FIELD, *@headings.drop(1).each_index.map { |place| "column #{place + 2}" }]
          end
          @place = @headings.map(&:downcase).index((heading || FIELD).strip.downcase) || unknown(heading)
          table.each do |cells, line, why|
            next @bad << Ports::Tables::CsvRows::Bad.new(line: line, why: why) if why

            add(cells) if cells.any? { |cell| !cell.to_s.strip.empty? }
          end
          @rows.map! { |cells| [cells, Core::Url::NormalForm.parse?(cells[@place].to_s.strip)&.to_s] }
        end

        def add(cells)
          raise Core::Error::InvalidInput.new("A list may have #{MOST} rows at most. Split it.") if @rows.size >= MOST

          @rows << cells
        end

        def unknown(heading)
          raise Core::Error::InvalidInput.new(
                  "The first line must name the column with the URLs; “#{heading || FIELD}” can't be found among " \
                    "#{@headings.map { |one| "“#{one[0, 60]}”" }.join(", ")}. Say which one it is."
                )
        end

        # @return [Array<Array(String, Array)>] by which way each was found, and its values
        def match(some)
          urls = some.filter_map(&:last).uniq
          forms = urls.flat_map { |url| Core::Lists::Match.forms(url).values.flatten }
          known = @known.at(forms.uniq)
          found = urls.to_h { |url| [url, Core::Lists::Match.of(url) { |form| known[form] }] }
          open = urls.reject { |url| found[url] }
          folded = @known.folded(open.map { |url| Core::Lists::Match.folded(url) }.uniq)
          open.each { |url| (values = folded[Core::Lists::Match.folded(url)]) && found[url] = ["case", values] }
          some.map { |_, url| found[url] }
        end

        def look(matched, &progress)
          scope = @site.crawl_settings.scope
          urls = @rows.zip(matched).filter_map { |(_, url), (_, values)| looked_at(url, values) }.uniq
          urls.select! { |url| scope.host?(url) }
          found =
            Crawling::LiveLook.new(@site, clock: @clock).call(urls) { |done| yield done, urls.size if block_given? }
          Store::Evidence::LiveChecks.keep(@site, found)
          found
        end

        def looked_at(url, values) = values ? values[@known.columns.index("url")] : url

        def joined(cells, way, values, live)
          own = @headings.each_index.map { |place| cells[place] }
          seen = live ? [live.status, live.final_url, live.at.utc.iso8601] : [nil, nil, nil]
          [*own, way, *(values || Array.new(@known.columns.size)), *seen]
        end
      end
    end
  end
end
