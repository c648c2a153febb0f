# frozen_string_literal: true

require "net/http"

module IronTrellis
  module Fetch
    module Http
      # Makes requests over persistent connections, one client a thread. It never raises for what a server does: that
      # becomes the answer's error.
      class Client
        # @param addresses [HostResolver]
        # @param profile [RequestProfile]
        def initialize(addresses:, profile:)
          @profile = profile
          @connections = Connections.new(addresses, profile)
        end

        # @param url [Core::Url::Parts]
        # @param verb [Symbol] :get or :head
        # @param body_limit [Integer] bytes, decoded
        # @return [Core::Crawling::Answer]
        def fetch(url, verb: :get, body_limit: @profile.body_limit)
          guard = Guard.new(seconds: @profile.seconds, first_byte_seconds: @profile.first_byte_seconds)
          answer = begin
            attempt(url, verb, guard, body_limit)
          rescue => error
            failed(FetchError.from(error), guard, url)
          end
          answer.response_ms = [answer.response_ms, guard.elapsed_ms].compact.min
          answer.first_byte_ms = guard.first_byte_ms && [guard.first_byte_ms, answer.response_ms].min
          answer
        end

        # @return [void]
        def close = @connections.close

        private

        def attempt(url, verb, guard, body_limit)
          connection = @connections.get(url, guard)
          used = connection.used?
          exchange(connection, url, verb, guard, body_limit)
        rescue EOFError, Errno::ECONNRESET, Errno::EPIPE
          # The server closed a connection it had kept open, before it saw this request: ask again on a new one.
          @connections.drop(url)
          raise unless used && guard.bytes.zero?

          exchange(@connections.get(url, guard), url, verb, guard, body_limit)
        end

        def exchange(connection, url, verb, guard, body_limit)
          answer = Core::Crawling::Answer.new
          connection.request(request(url, verb)) do |response|
            answer.status = response.code.to_i
            answer.header_lines = guard.header_lines
            guard.begin_body(body_limit)
            answer.body = read_body(response, verb, body_limit)
            answer.response_ms = connection.served_ms
          end
          @partial = nil
          answer
        end

        def read_body(response, verb, body_limit)
          @partial = response
          @decoding = decoding = Decoding.new(response["content-encoding"], body_limit)
          raw = 0
          response.read_body do |chunk|
            raw += chunk.bytesize
            decoding << chunk
          end
          short =
            verb == :get && response.class.body_permitted? && response.content_length && raw < response.content_length
          raise FetchError.new("closed", "the connection ended before a whole answer") if short || !decoding.whole?

          decoding.body
        end

        def failed(error, guard, url)
          @connections.drop(url)
          status = @partial&.code&.to_i
          body = (error.kind == "too_large" && @partial) ? @decoding.body : "".b
          @partial = nil
          Core::Crawling::Answer.new(
            status: status,
            header_lines: guard.header_lines,
            body: body,
            error: error.kind,
            error_detail: error.message
          )
        end

        def request(url, verb)
          kind = (verb == :head) ? Net::HTTP::Head : Net::HTTP::Get
          kind.new(url.request_target, @profile.request_headers(url))
        end
      end
    end
  end
end
