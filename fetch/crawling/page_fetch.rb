# frozen_string_literal: true

module IronTrellis
  module Fetch
    module Crawling
      # Takes one URL of the frontier through robots.txt, request and reading.
      class PageFetch
        # Servers that don't know HEAD, or refuse it, are asked again with GET.
        HEAD_REFUSED = [400, 403, 405, 501].freeze

        # @param client [Http::Client]
        # @param reader [Core::Page::Reader]
        # @param robots [#call] gives the robots policy of a URL, nil where its host has no address
        # @param ignore_robots [Boolean] fetch what is disallowed too
        # @param render [#call, nil] gives of a URL and its answer the Core::Rendering::Reading
        def initialize(client:, reader:, robots:, ignore_robots:, render: nil)
          @client = client
          @reader = reader
          @robots = robots
          @ignore_robots = ignore_robots
          @render = render
        end

        # @param item [#parts, #head?, #external?, #given_up?] a URL of the frontier
        # @return [Core::Crawling::Outcome] without links where it is an error page or a redirect's note: they lead
        #   nobody on
        def call(item)
          visit(item).tap do |outcome|
            outcome.facts.links = [] unless outcome.facts.nil? || (200..299).cover?(outcome.answer.status)
          end
        end

        # @param task [Core::Crawling::ProbeTask]
        # @return [Core::Crawling::Outcome]
        def probe(task)
          return visit(task) unless task.variant?

          answer = @client.fetch(task.parts)
          Core::Crawling::Outcome.new(item: task, answer: answer, redirect_to: answer.leads_to(task.parts)&.to_s)
        end

        private

        def visit(item)
          return given_up(item) if item.given_up?

          url = item.parts
          policy = @robots.call(url, @client)
          decision = policy&.decide(url)
          return Core::Crawling::Outcome.new(item: item, decision: decision) if shut?(item, policy, decision)

          answer = item.head? ? head(item) : @client.fetch(url)
          facts = read(url, answer)
          answer.body = "".b if answer.error
          reading = rendered(item, answer, facts)
          Core::Crawling::Outcome.new(
            item: item,
            decision: decision,
            answer: answer,
            facts: reading&.facts || facts,
            redirect_to: answer.leads_to(url)&.to_s,
            reading: reading
          )
        rescue Http::FetchError => error
          Core::Crawling::Outcome.new(
            item: item,
            answer:
              Core::Crawling::Answer.new(
                header_lines: [],
                body: "".b,
                error: error.kind,
                error_detail: error.message,
                response_ms: 0
              )
          )
        end

        # Of a link to another host it is to be known whether it leads anywhere, so that nobody answers there is no
        # reason not to ask.
        def shut?(item, policy, decision)
          decision && !decision.allowed? && !@ignore_robots && (policy.answered? || !item.external?)
        end

        def given_up(item)
          answer =
            Core::Crawling::Answer.new(
              header_lines: [],
              body: "".b,
              error: "malformed",
              error_detail: "workers died over it, so it was given up",
              response_ms: 0
            )
          Core::Crawling::Outcome.new(item: item, answer: answer)
        end

        # Pages alone have scripts.
        def rendered(item, answer, facts)
          return if @render.nil? || item.head? || answer.error || facts&.kind != "html"

          @render.call(item.parts, answer) if (200..299).cover?(answer.status)
        end

        # What is embedded stays a resource, even where it answers with a page.
        def head(item)
          answer = @client.fetch(item.parts, verb: :head)
          HEAD_REFUSED.include?(answer.status) ? @client.fetch(item.parts) : answer
        end

        def read(url, answer)
          return nil if answer.status.nil?

          facts =
            @reader.call(url: url, header_lines: answer.header_lines, body: answer.error ? "".b : answer.body.to_s)
          read_pdf(facts, answer.body) if facts.kind == "pdf" && !answer.error && !answer.body.to_s.empty?
          facts
        rescue Core::Page::Unreadable => error
          answer.error = "malformed"
          answer.error_detail = error.message
          nil
        end

        def read_pdf(facts, body)
          title, text = Pages::PdfReading.call(body)
          facts.titles = [title].compact
          facts.words = text && Core::Content::Words.count(text)
        end
      end
    end
  end
end
