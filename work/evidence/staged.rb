# frozen_string_literal: true

require "digest"

module IronTrellis
  module Work
    module Evidence
      # Turns what was read into rows of the store and hands them on in portions.
      class Staged
        PORTION = 5_000
        # Ids that were told already are remembered, so that a page with many days is digested once.
        REMEMBERED = 100_000

        # @param site [Store::Sites::Site]
        # @param kind [Core::Evidence::Kind]
        # @param now [Time]
        def initialize(site, kind, now)
          @site = site
          @kind = kind
          @now = now
          @staging = Store::Evidence::Staging.new(kind.code)
          @rows = []
          @ids = {}
          @urls = {}
          @queries = {}
        end

        # @param read [Core::Evidence::Row::Read]
        # @param line [Integer]
        # @return [void]
        def add(read, line)
          row = {"line" => line, "spelled" => spelled(read.spelled), **send(@kind.code, read)}
          row["day"] = read.values["date"]
          row["dated"] = !row["day"].nil?
          @rows << row
          flush if @rows.size >= PORTION
        end

        # @return [void]
        def flush
          Store::Crawling::Urls.add(@site.id, @urls, @now)
          Store::Evidence::Queries.add(@queries)
          @staging.add(@rows)
          [@rows, @urls, @queries].each(&:clear)
        end

        # @return [Array<Date>] the newest first
        def days = @staging.days

        # (see Store::Evidence::Staging#take_over)
        def take_over(import, day) = @staging.take_over(import, day)

        # @param crawl [Store::Crawling::Crawl, nil]
        # @return [Integer]
        def not_crawled(crawl) = @staging.not_crawled(crawl, (@kind.code == "links") ? "target_id" : "url_id")

        # @return [void]
        def drop = @staging.drop

        private

        def standings(read)
          values = read.values
          {"url_id" => id(read.url), "state" => values["standing"],
           **values.slice("reason", "found_by", "first_seen", "last_fetched", "chosen_canonical")}
        end

        def pages(read) = {"url_id" => id(read.url), **read.values.slice("clicks", "impressions", "position")}

        def queries(read)
          text = read.values["query"].downcase
          number = Digest::SHA256.digest(text).unpack1("q>")
          @queries[number] = text
          pages(read).merge("query_id" => number)
        end

        def links(read)
          values = read.values
          {"target_id" => id(read.url), "source_id" => digest(values["source"]), "source" => values["source"],
           "anchor" => values["anchor"].to_s, "more" => values["more"].to_h.empty? ? nil : values["more"]}
        end

        def goals(read) = {"url_id" => id(read.url), **read.values.slice("goal", "count")}

        def id(url)
          @ids.clear if @ids.size > REMEMBERED
          known = @ids[url]
          return known if known

          @ids[url] = Core::Url::NormalForm.id(@site.id, url).tap { |number| @urls[number] = url }
        end

        def digest(url) = Core::Url::NormalForm.id(@site.id, url)

        def spelled(text) = text.hash
      end
    end
  end
end
