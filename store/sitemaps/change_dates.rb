# frozen_string_literal: true

require "time"

module IronTrellis
  module Store
    module Sitemaps
      # When pages last changed, as far as crawls of the site have seen it: the time of the first crawl that found
      # another main text than the one before it. What was never seen to change has no date, since any would be made up.
      class ChangeDates
        TEXTS =
          "SELECT b.url_id, b.texts, b.frames, f.fetched_at FROM %<page_blocks>s b JOIN %<page_facts>s f USING " \
          "(url_id) WHERE f.status = 200"
        MOST_CRAWLS = 12

        # @param run [Judging::VerdictRun] of the newest crawl that counts
        def initialize(run)
          @crawl = run.crawl
        end

        # @return [Hash{Integer => Time}] by URL id
        def call
          said = {}
          changed = {}
          crawls.each { |crawl| read(crawl) { |id, text, time| note(said, changed, id, text, time) } }
          changed
        end

        private

        def crawls =
          @crawl.site.crawls.where(state: Crawling::Crawl::FINISHED, number: ..@crawl.number).limit(MOST_CRAWLS).reverse

        def read(crawl)
          Postgres::Sql.stream(format(TEXTS, Postgres::Partitions.of_crawl(crawl.id)), portion: 500) do |rows|
            rows.each do |row|
              yield(
                row["url_id"],
                Core::Copies::MainText.blocks(row["texts"], row["frames"]).hash,
                Time.parse(row["fetched_at"].to_s)
              )
            end
          end
        end

        def note(said, changed, id, text, time)
          changed[id] = time if said.key?(id) && said[id] != text
          said[id] = text
        end
      end
    end
  end
end
