# frozen_string_literal: true

module IronTrellis
  module Work
    module Crawling
      # Looks at many URLs now, as the crawler of a site and at its speed: what each answers at its first hop, and where
      # it ends.
      class LiveLook
        # @param site [Store::Sites::Site]
        # @param clock [#call] gives the time
        def initialize(site, clock:)
          @site = site
          @settings = site.crawl_settings
          @scope = @settings.scope
          @secrets = Store::Settings::Secrets.of(site.id)
          @clock = clock
          @pace = Pace.new(@settings.rate)
          @robots = {}
          @robots_lock = Mutex.new
          @lock = Mutex.new
        end

        # @param urls [Array<String>] in normal form
        # @yieldparam done [Integer]
        # @return [Hash{String => Core::Triage::Seen}] by URL
        def call(urls, &progress)
          queue = Queue.new(urls)
          queue.close
          found = {}
          threads = Array.new([@settings.concurrency, urls.size].min) { Thread.new { work(queue, found, &progress) } }
          threads.each(&:join)
          found
        end

        private

        def work(queue, found)
          client = Fetch::Http::Client.new(addresses: Fetch::Http::HostResolver.of(@settings), profile: profile)
          while (url = queue.pop)
            seen = look(client, url)
            @lock.synchronize do
              found[url] = seen
              yield found.size if block_given?
            end
          end
        ensure
          client&.close
        end

        def profile = Fetch::Http::RequestProfile.of(@settings, @secrets)

        def look(client, url)
          parts = Core::Url::NormalForm.split(url)
          return Core::Triage::Seen.new(at: @clock.call, blocked: true) unless allowed?(client, parts)

          seen(client, parts)
        end

        # One thread asks for the robots.txt of an origin, the others wait for it.
        def allowed?(client, parts)
          return true if @settings.ignore_robots

          policy =
            @robots_lock.synchronize do
              @robots.fetch(parts.origin) do |origin|
                @robots[origin] = Fetch::Robots::RobotsFetch.call(client, parts).policy(@settings.agent)
              end
            end
          # A host without an address says so itself.
          policy.nil? || policy.decide(parts).allowed?
        end

        def seen(client, parts)
          answer = ask(client, parts)
          page = document(parts, answer)
          ended = RedirectFollower.new(read: method(:document), scope: @scope) { |target| ask(client, target) }
            .call(parts, answer, page)
          Core::Triage::Seen.new(
            at: @clock.call,
            status: answer.status,
            error: answer.error,
            hops: ended.asked,
            refresh: ended.refresh || nil,
            final_url: ended.hops.last || parts.to_s,
            **facts(page),
            **ending_fields(ended)
          )
        end

        def ending_fields(ended)
          case ended.how
          when nil then {end_status: ended.answer.status, end_error: ended.answer.error}
          when :off_site then {off_site: true}
          else {loop: true}
          end
        end

        def ask(client, parts)
          @pace.wait(parts.authority)
          client.fetch(parts)
        end

        def facts(page)
          return {} unless page

          {
            **page.directives_for(@settings.agent).slice(:noindex, :canonical),
            content_type: page.content_type,
            words: page.words
          }
        end

        def document(parts, answer) = Core::Page::Reader.new(agent: @settings.agent).answered(parts, answer)
      end
    end
  end
end
