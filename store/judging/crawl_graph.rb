# frozen_string_literal: true

require "numo/narray"

module IronTrellis
  module Store
    module Judging
      # The link graph of a crawl, kept small: URLs are numbered in the order of their ids, and the links out of each
      # lie packed in one string, since as Ruby's numbers they would take ten times as much.
      class CrawlGraph
        TYPES = Pages::FactsRows::TYPES
        CLICKS = TYPES.values_at("anchor", "frame", "refresh").freeze
        REFERENCES = TYPES.values_at("canonical", "hreflang").freeze
        NOBODY = -1
        # Links of which the memory is felt.
        MANY = 500_000
        # Streams that are told; a drawing of more would show nothing.
        MOST_STREAMS = 400
        # Beyond these, shares differ by the order in which they were added up.
        DIGITS = 12

        # @param crawl [Crawling::Crawl]
        def initialize(crawl)
          @crawl = crawl
        end

        # @param start_ids [Array<Integer>]
        # @return [Hash{Integer => Integer}] fewest clicks by URL id, over followed links
        def depths(start_ids) = walk(start_ids.to_h { |id| [id, 0] }, references: [])

        # What passes a redirect or a canonical goes to the page that stands at its end, and that page's links count as
        # those of all of them.
        #
        # @return [Hash{Integer => Float}] share of authority by URL id, of the pages that stand for themselves
        def authority = standing.each_with_index.to_h { |id, place| [id, shares[place].round(DIGITS)] }

        # @param groups [Hash{Integer => String}] by URL id
        # @return [Array<Hash>] {from, to, links, share}: what authority flows from group to group, the broadest stream
        #   first
        def flow(groups)
          names = standing.map { |id| groups[id] }
          numbers = names.uniq.each_with_index.to_h
          streams =
            Core::Graph::Flow.between(
              Numo::Int32.cast(names.map { |name| numbers[name] }),
              numbers.size,
              *between,
              shares
            )
          streams
            .first(MOST_STREAMS)
            .map do |stream|
              {
                from: numbers.key(stream.from),
                to: numbers.key(stream.to),
                links: stream.links,
                share: stream.share.round(6)
              }
            end
        end

        # @return [Hash{Integer => Integer}] by URL id, as the crawl counts to keep to its limit: references lead on as
        #   well, and what sitemaps list stands one step from a start
        def crawl_depths
          listed =
            Postgres::Sql
              .run("SELECT DISTINCT url_id FROM #{table("sitemap_entries")}")
              .column_values(0)
              .to_h { |id| [id.to_i, Sitemaps::SitemapFiles::DEPTH] }
          starts = @crawl.crawl_settings.first_urls.to_h { |url| [Core::Url::NormalForm.id(@crawl.site_id, url), 0] }
          walk(listed.merge(starts), references: REFERENCES)
        end

        private

        # @return [Array<Integer>] ids of the pages that stand for themselves
        def standing
          places
          @standing
        end

        # @return [Hash{Integer => Integer}] by number of such a page, its place among them
        def places
          @places ||= begin
            read([])
            numbers = standing_for.uniq.reject { |number| number == NOBODY }.sort
            ids = @numbers.keys
            # Not by values_at: a million arguments are more than the stack holds.
            @standing = numbers.map { |number| ids[number] }
            numbers.each_with_index.to_h
          end
        end

        # @return [Array(Numo::Int32, Numo::Int32)] places of sources and targets of the links between those pages
        def between
          @between ||= begin
            ends = standing_for.map { |number| places.fetch(number, NOBODY) }
            links_between(ends)
          end
        end

        def shares
          @shares ||= Core::Graph::Authority.of(standing.size, *between)
        end

        # @return [Array<Integer>] by node, the page that stands for it, or NOBODY
        def standing_for
          @standing_for ||= begin
            pages =
              numbers_of("SELECT url_id FROM #{table("page_facts")} WHERE kind = 'html' AND status BETWEEN 200 AND 299")
            following = canonicals.merge(redirects)
            @numbers.each_value.map do |number|
              chain = Core::Redirects::Chain.follow(number, following.method(:[]))
              last = chain.loop? ? number : chain.final
              pages.key?(last) ? last : NOBODY
            end
          end
        end

        def canonicals
          Postgres::Sql
            .run("SELECT url_id, canonical FROM #{table("page_facts")} WHERE canonical_state = 'other'")
            .values
            .filter_map { |from, url| [@numbers[from.to_i], @numbers[Core::Url::NormalForm.id(@crawl.site_id, url)]] }
            .to_h
            .compact
        end

        def numbers_of(sql) = Postgres::Sql.run(sql).column_values(0).to_h { |id| [@numbers[id.to_i], true] }

        # Page by page, each forgotten when it is done: all links as Ruby's numbers would take half a gigabyte, and
        # twice packed a hundred megabytes.
        #
        # @param ends [Array<Integer>] by node, the place of the page that stands for it, or NOBODY
        # @return [Array(Numo::Int32, Numo::Int32)] sources and targets of links between those pages, each once
        def links_between(ends)
          sources, targets = Array.new(2) { Numo::Int32.zeros(@links.each_value.sum(&:bytesize) / 4) }
          size = 0
          @links.keys.group_by { |node| ends[node] }.each do |source, nodes|
            targets_of = nodes.flat_map { |node| @links.delete(node).unpack(NumberedLinks::PACKED) }
            found = targets_of.map { |target| ends[target] }.uniq - [source, NOBODY]
            next if source == NOBODY || found.empty?

            part = size...(size += found.size)
            sources[part], targets[part] = source, found
          end
          @read = nil
          # What was unpacked makes room at once for what comes next.
          GC.start if size > MANY
          size.zero? ? [Numo::Int32[], Numo::Int32[]] : [sources[0...size], targets[0...size]]
        end

        def walk(starts, references:)
          read(references)
          depths =
            Core::Graph::Depths.of(
              starts: starts.transform_keys { |id| @numbers[id] }.except(nil),
              links: ->(node) { @links[node]&.unpack(NumberedLinks::PACKED) },
              redirects: redirects
            )
          ids = @numbers.keys
          depths.transform_keys { |node| ids[node] }
        end

        def read(references)
          return if @read == references

          @read = references
          @numbers, @links = NumberedLinks.of(@crawl.id, CLICKS, references)
        end

        def redirects
          Postgres::Sql
            .run(
              "SELECT url_id, coalesce(redirect_to_id, refresh_to_id) FROM #{table("page_facts")} WHERE " \
              "redirect_to_id IS NOT NULL OR refresh_to_id IS NOT NULL"
            )
            .values
            .filter_map do |from, to|
              [@numbers[from.to_i], @numbers[to.to_i]] if @numbers.key?(from.to_i) && @numbers.key?(to.to_i)
            end
            .to_h
        end

        def table(parent) = Postgres::Partitions.name(parent, @crawl.id)
      end
    end
  end
end
