# frozen_string_literal: true

module IronTrellis
  module Work
    module Crawling
      # Fetches one URL now, past any cache, with the settings and secrets of a crawl: as its crawler, or as a visitor
      # with a browser, whom robots.txt doesn't concern. Nothing of it is stored.
      class LiveFetch
        # One that servers know (from memory; the form is what browsers send since 2022).
        BROWSER =
          "Mozilla/5.0 (X11; Linux x86_64) AppleWebKit/537.36 (KHTML, like Gecko) Chrome/140.0.0.0 Safari/537.36"
        KINDS = %w[crawler visitor].freeze
        MOST_HOPS = 10
        MOST_LINKS = 1_000
        MOST_LINES = 100
        MOST_LINE = 500

        # @param crawl [Store::Crawling::Crawl]
        # @param kind [String] one of KINDS
        def initialize(crawl, kind)
          @settings = crawl.crawl_settings
          @kind = kind
          @profile = Fetch::Http::RequestProfile.of(@settings, crawl.secrets)
          @profile.user_agent = BROWSER if kind == "visitor"
          @profile.fresh = true
        end

        # @param url [String]
        # @return [Hash] blocked (the rule of robots.txt, nil where it lets us), status, error, response_ms,
        #   header_lines and header_marks (what each line tells), hops ([{url, status}], the URL itself first), and of a
        #   page its title, words, noindex, nofollow, canonical, hreflang ([{code, url}]), lines ([{number, text,
        #   tells}], those of its source that decide) and links ([{url, text, type, place, rel, followed}], at most
        #   MOST_LINKS) with the number of all (links_total)
        def call(url)
          client = new_client
          parts = Core::Url::NormalForm.parse(url)
          rule = blocked(client, parts)
          rule ? {blocked: rule, hops: []} : visit(client, parts)
        ensure
          client&.close
        end

        # A page with its main text.
        #
        # @param url [String]
        # @return [Hash] as of call, and its text where it is a page that can be read
        def page(url)
          @with_text = true
          call(url)
        end

        # A file as it is, such as robots.txt.
        #
        # @param url [String]
        # @return [Hash] as of call, and its text where the answer is 200
        def file(url)
          client = new_client
          _, hops, answer = visit_to_the_end(client, Core::Url::NormalForm.parse(url))
          answered(hops, answer).merge(
            text: (answer.body.to_s.dup.force_encoding(Encoding::UTF_8) if answer.status == 200)
          )
        ensure
          client&.close
        end

        # An image as a browser is given it.
        #
        # @param url [String]
        # @return [Array(String, String)] its media type and its bytes
        # @raise [Core::Error::NotFound] where the answer is no image that can be shown
        def image(url)
          client = new_client
          answer = visit_to_the_end(client, Core::Url::NormalForm.parse(url)).last
          type = answer.header_lines && answer.headers.first("content-type").to_s[%r{\A[^;\s]+}].to_s.downcase
          unless answer.status == 200 && type.start_with?("image/")
            raise Core::Error::NotFound.new("#{url} answers with no image.", url: url)
          end

          [type, answer.body.to_s]
        ensure
          client&.close
        end

        private

        def blocked(client, parts)
          return if @kind == "visitor" || @settings.ignore_robots

          decision = Fetch::Robots::RobotsFetch.call(client, parts).policy(@settings.agent)&.decide(parts)
          decision.rule || "robots.txt can't be read" if decision && !decision.allowed?
        end

        def visit(client, parts) = result(*visit_to_the_end(client, parts))

        # @return [Array(Core::Url::Parts, Array<Hash>, Core::Crawling::Answer)] where it ends, by which hops, and the
        #   answer there
        def visit_to_the_end(client, parts)
          hops = []
          loop do
            answer = client.fetch(parts)
            hops << {url: parts.to_s, status: answer.status}
            target = answer.leads_to(parts)
            return [parts, hops, answer] unless target && hops.size < MOST_HOPS

            parts = target
          end
        end

        def result(parts, hops, answer) = answered(hops, answer).merge(read(parts, answer))

        def answered(hops, answer)
          lines = answer.header_lines || []
          {
            blocked: nil,
            status: answer.status,
            error: answer.error && "#{answer.error}: #{answer.error_detail}",
            response_ms: answer.response_ms,
            header_lines: lines,
            header_marks: Core::Page::DecidingLines.of_headers(lines),
            hops: hops
          }
        end

        def read(parts, answer)
          return {} if answer.error || answer.status.nil?

          facts =
            Core::Page::Reader.new(agent: @settings.agent).call(
              url: parts,
              header_lines: answer.header_lines,
              body: answer.body.to_s
            )
          {
            title: facts.title,
            words: facts.words,
            **facts.directives_for(@settings.agent),
            hreflang: facts.hreflang.map { |one| one.slice(:code, :url) },
            lines: deciding_lines(answer.body.to_s, facts),
            links: facts.links.first(MOST_LINKS).map { |link| link(link) },
            links_total: facts.links.size,
            **(@with_text ? {text: Core::Copies::MainText.blocks(facts.text.to_s, facts.frames).join("\n")} : {})
          }
        rescue Core::Page::Unreadable => error
          {error: error.message}
        end

        def deciding_lines(body, facts)
          return [] unless facts.kind == "html"

          lines = Core::Page::Charset.decode(body, facts.charset).first.scrub.split(/\r\n|\r|\n/)
          told = Core::Page::DecidingLines.of(lines, agent: @settings.agent)
          lines
            .each_with_index
            .filter_map do |line, place|
              {number: place + 1, text: line.strip[0, MOST_LINE], tells: told[place]} if told[place].any?
            end
            .first(MOST_LINES)
        end

        def link(link) =
          {
            url: link.target,
            text: link.text,
            type: link.type,
            place: link.place,
            rel: link.rel,
            followed: link.followed
          }

        def new_client = Fetch::Http::Client.new(addresses: Fetch::Http::HostResolver.of(@settings), profile: @profile)
      end
    end
  end
end
