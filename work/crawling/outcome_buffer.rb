# frozen_string_literal: true

module IronTrellis
  module Work
    module Crawling
      # What a session has fetched and not stored yet. What may come out better later is put off instead.
      class OutcomeBuffer
        # Seconds before another try; a server's own wish counts as far as this.
        BACK_OFF = [1, 4, 15, 60].freeze
        MOST_PATIENCE = 120
        # However few come, they are stored after so long.
        LONGEST_SECONDS = 1.5

        # @param crawl [Store::Crawling::Crawl]
        # @param slot [Integer]
        # @param token [Integer] of the session
        # @param hosts [Store::Crawling::Hosts]
        # @param lanes [HostPool]
        # @param clock [#call]
        def initialize(crawl, slot:, token:, hosts:, lanes:, clock:)
          @crawl = crawl
          @token = token
          @hosts = hosts
          @lanes = lanes
          @clock = clock
          @retries = crawl.crawl_settings.retries
          @writer = Store::Pages::FactsWriter.new(crawl, slot: slot, hosts: hosts, now: clock, discovery: Fetch::Crawling::Discovery.new(crawl.crawl_settings, follow: crawl.follow?))
          @sitemaps = Store::Sitemaps::SitemapFiles.new(crawl)
          @probes = Store::Crawling::Probes.new(crawl)
          @beats = Store::Crawling::ThroughputSamples.new(crawl, slot: slot)
          @sameness = Fetch::Crawling::ParameterLoopDetector.new
          @endless = Fetch::Crawling::EndlessAnswers.new
          @probes.answering.each_value { |row| learn(row) }
          @pages = []
          @later = []
        end

        # @return [Integer] pages to be stored
        def size = @pages.size

        # @return [Boolean] whether they have been there for so long that others should see them
        def due? = !@since.nil? && monotonic - @since > LONGEST_SECONDS

        # @param item [Store::Crawling::Frontier::Item, Fetch::Sitemaps::SitemapTask, Fetch::Crawling::ProbeTask]
        # @param outcome [Object] what became of it
        # @return [void]
        def put(item, outcome)
          case item
          when Fetch::Sitemaps::SitemapTask then @sitemaps.store(item, outcome, hosts: @hosts, now: @clock.call)
          when Fetch::Crawling::ProbeTask then put_probe(item, outcome)
          else put_page(item, outcome)
          end
        end

        # @return [void]
        def store
          @since = nil
          put_off_later
          return if @pages.empty?

          @writer.write(@pages, @token)
          @beats.count(@pages.count(&:fetched?))
          @pages.each { |outcome| watch(outcome) }
          @pages.clear
        end

        # @param now [Time]
        # @return [void]
        def beat(now) = @beats.call(now)

        # To be called when all is stored.
        #
        # @param now [Time]
        # @return [void]
        def finish(now) = @beats.finish(now)

        private

        def put_probe(item, outcome)
          @probes.store(item, outcome)
          @endless.learn(item.url, outcome.facts) if outcome.facts && outcome.answer.status == 200 && !item.variant?
        end

        # What another session, or an earlier one, was answered.
        def learn(row)
          @endless.learn(row["url"], Core::Page::Facts.new(titles: [row["title"]].compact, text: row["text"].to_s, frames: row["frames"] || [], menus: row["menus"] || [], outline: row["outline"] || []))
        end

        def put_page(item, outcome)
          outcome.facts.links = [] if @endless.answer?(outcome)
          if outcome.answer&.passing? && item.tries < @retries then @later << outcome
          else @pages << outcome
          end
          @since ||= monotonic
          heed(item, outcome.answer) if [429, 503].include?(outcome.answer&.status)
        end

        # A host that asks for patience is left alone by everyone.
        def heed(item, answer)
          seconds = answer.retry_after(@clock.call) or return
          seconds = [seconds, MOST_PATIENCE].min
          @lanes.hold_back(item.host_id, seconds)
          @hosts.pause(item.host_id, @clock.call + seconds)
        end

        def put_off_later
          @later.group_by { |outcome| patience(outcome) }.each do |seconds, outcomes|
            @writer.put_off(outcomes, @token, @clock.call + seconds)
          end
          @later.clear
        end

        def patience(outcome)
          wish = outcome.answer.retry_after(@clock.call)
          [wish || BACK_OFF.fetch(outcome.item.tries, BACK_OFF.last), MOST_PATIENCE].min
        end

        def watch(outcome)
          prefix = @sameness.see(outcome) or return
          @writer.close_space(Fetch::Crawling::ParameterLoopDetector::KIND, prefix, Fetch::Crawling::ParameterLoopDetector::ENOUGH)
        end

        def monotonic = Process.clock_gettime(Process::CLOCK_MONOTONIC)
      end
    end
  end
end
