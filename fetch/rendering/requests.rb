# frozen_string_literal: true

module IronTrellis
  module Fetch
    module Rendering
      # Answers what a page in the browser asks for, since the browser itself can reach nobody: each request passes the
      # rules of addresses and of robots.txt as every fetch does, and its answer is handed over whole.
      class Requests
        Request = Core::Rendering::Request
        MOST = 200
        MOST_BYTES = 50_000_000
        THREADS = 4
        READING = %w[GET HEAD].freeze
        WEB = /\Ahttps?:/i
        # What tells how the answer came, not what it is.
        OF_TRANSFER = %w[content-encoding content-length transfer-encoding connection keep-alive].freeze
        NOT_KEPT = /no-store|no-cache|max-age=0/i
        # Browsers ask for it by themselves.
        BY_ITSELF = %r{\Ahttps?://[^/]+/favicon\.ico\z}
        KEPT_TYPES = %w[Script Stylesheet Image Font].freeze

        # @param policy [RequestPolicy] by which to ask
        # @param cache [KeptAnswers]
        # @param agent [String] crawler or visitor
        # @param given [Hash{String => Core::Crawling::Answer}] by address what was asked for already
        # @yieldparam command [String] what is to be told to the browser, with its parameters
        def initialize(policy, cache:, agent:, given: {}, &tell)
          @policy, @cache, @agent, @given, @tell = policy, cache, agent, given, tell
          @done, @bytes, @open, @begun = [], 0, 0, 0
          @lock = Mutex.new
          @quiet_since = now
          @waiting = Queue.new
          @threads = Array.new(THREADS) { Thread.new { work } }
        end

        # @param paused [Hash] as the browser tells it (Fetch.requestPaused)
        # @return [void]
        def take(paused)
          return fail(paused, Request.new) if BY_ITSELF.match?(paused["request"]["url"])

          @lock.synchronize { @open += 1 }
          @waiting << paused
        rescue ClosedQueueError
          # The page is left already.
        end

        # @return [Float, nil] since when nothing is asked for; nil while something is
        def quiet_since = @lock.synchronize { @open.zero? ? @quiet_since : nil }

        # @return [Array<Request>] so far, in the order in which they were answered
        def done = @lock.synchronize { @done.dup }

        # @return [Core::Crawling::Answer, nil] the newest of the document itself
        attr_reader :document

        # @return [void]
        def close
          @waiting.close
          @threads.each { |thread| thread.join(0.1) || thread.kill }
        end

        private

        def now = Process.clock_gettime(Process::CLOCK_MONOTONIC)

        def work
          client = @policy.client(@agent)
          while (paused = @waiting.pop)
            answer(paused, client)
          end
        ensure
          client&.close
        end

        def answer(paused, client)
          began = now
          request = Request.new(url: paused["request"]["url"], type: paused["resourceType"], bytes: 0)
          got = refusal(paused, request) ? nil : ask(paused, request, client)
          request.ms = ((now - began) * 1000).round
          note(request, got)
          got ? hand_over(paused, got) : fail(paused, request)
        rescue => error
          request.outcome, request.why = Request::FAILED, error.message
          note(request, nil)
          fail(paused, request)
        ensure
          settle
        end

        def settle
          @lock.synchronize do
            @open -= 1
            @quiet_since = now
          end
        end

        def note(request, got)
          @lock.synchronize do
            @done << request if @done.none? { |one| one.equal?(request) }
            @bytes += request.bytes
            @document = got if request.document? && got
          end
        end

        def refusal(paused, request)
          url, verb = paused["request"].values_at("url", "method")
          why =
            if !WEB.match?(url) then "only http and https are asked for"
            elsif !READING.include?(verb) then "scripts may read, not send (#{verb})"
            elsif @lock.synchronize { @begun += 1 } > MOST then "a page may ask for #{MOST} things"
            elsif @bytes >= MOST_BYTES then "a page may take #{MOST_BYTES / 1_000_000} MB"
            end
          request.outcome, request.why = Request::REFUSED, why if why
          why
        end

        def ask(paused, request, client)
          parts = Core::Url::NormalForm.parse(request.url)
          if (given = @given[parts.to_s])
            judge(request, given)
            return given
          end
          return if blocked?(parts, request, client)

          kept = @cache.get(@agent, request.url)
          got = kept || fetched(paused, parts, client)
          judge(request, got)
          return if got.error

          @cache.put(@agent, request.url, got) if kept.nil? && kept?(request, got)
          got
        rescue Core::Url::NormalForm::Malformed => error
          request.outcome, request.why = Request::REFUSED, error.message
          nil
        end

        def blocked?(parts, request, client)
          return false unless @agent == RequestPolicy::CRAWLER

          decision = @policy.decision(parts, client)
          return false if decision.nil? || decision.allowed?

          request.outcome = Request::BLOCKED
          request.why = ["blocked by robots.txt", decision.rule].compact.join(": ")
          true
        end

        # What fails may pass, so it is tried once more.
        def fetched(paused, parts, client)
          verb = (paused["request"]["method"] == "HEAD") ? :head : :get
          attempt = -> { @policy.fetch(client, parts, verb: verb, body_limit: MOST_BYTES - @bytes) }
          answer = attempt.call
          answer.transient? ? attempt.call : answer
        end

        def judge(request, got)
          request.status, request.bytes = got.status, got.body.to_s.bytesize
          fine = got.error.nil? && (200..399).cover?(got.status)
          request.outcome = fine ? Request::LOADED : Request::FAILED
          request.why = failure_reason(got) unless fine
        end

        def failure_reason(got) =
          got.error ? [got.error, got.error_detail].compact.join(": ") : "it answers #{got.status}"

        def kept?(request, got) =
          KEPT_TYPES.include?(request.type) && got.status == 200 &&
            !NOT_KEPT.match?(got.headers.first("cache-control").to_s)

        def hand_over(paused, got)
          headers =
            got.header_lines.filter_map do |line|
              name, value = line.split(":", 2)
              {name: name.strip, value: value.strip} unless value.nil? || OF_TRANSFER.include?(name.strip.downcase)
            end
          @tell.call(
            "Fetch.fulfillRequest",
            requestId: paused["requestId"],
            responseCode: got.status,
            responseHeaders: headers,
            body: [got.body.to_s].pack("m0")
          )
        end

        def fail(paused, request)
          reason = (request.outcome == Request::FAILED) ? "Failed" : "BlockedByClient"
          @tell.call("Fetch.failRequest", requestId: paused["requestId"], errorReason: reason)
        end
      end
    end
  end
end
