# frozen_string_literal: true

require "net/http"

module IronTrellis
  module Crawl
    # Makes requests over persistent connections, one client a thread. It never raises for what a server does: that
    # becomes the answer's error.
    class Client
      OPEN_SECONDS = 10
      MOST_CONNECTIONS = 8

      # @param addresses [AddressBook]
      # @param user_agent [String] the User-Agent header
      # @param seconds [Numeric] for one whole request
      # @param body_limit [Integer] bytes, decoded
      def initialize(addresses:, user_agent:, seconds:, body_limit:)
        @addresses = addresses
        @user_agent = user_agent
        @seconds = seconds
        @body_limit = body_limit
        @connections = {}
      end

      # @param url [Core::Url::Parts]
      # @param verb [Symbol] :get or :head
      # @param body_limit [Integer] bytes
      # @return [Answer]
      def fetch(url, verb: :get, body_limit: @body_limit)
        began = Process.clock_gettime(Process::CLOCK_MONOTONIC)
        guard = Guard.new(@seconds)
        answer = begin
          attempt(url, verb, guard, body_limit)
        rescue => error
          failed(FetchError.from(error), guard, url)
        end
        answer.response_ms = ((Process.clock_gettime(Process::CLOCK_MONOTONIC) - began) * 1000).round
        answer
      end

      # @return [void]
      def close
        @connections.each_value { |connection| connection.finish if connection.started? }
        @connections.clear
      end

      private

      def attempt(url, verb, guard, body_limit)
        connection = connection_to(url, guard)
        used = connection.used?
        exchange(connection, url, verb, guard, body_limit)
      rescue EOFError, Errno::ECONNRESET, Errno::EPIPE
        # The server closed a connection it had kept open, before it saw this request: ask again on a new one.
        drop(url)
        raise unless used && guard.bytes.zero?

        exchange(connection_to(url, guard), url, verb, guard, body_limit)
      end

      def exchange(connection, url, verb, guard, body_limit)
        answer = Answer.new
        connection.request(request(url, verb)) do |response|
          answer.status = response.code.to_i
          answer.header_lines = guard.header_lines
          guard.begin_body(body_limit)
          answer.body = read_body(response, verb, body_limit)
        end
        @partial = nil
        answer
      end

      def read_body(response, verb, body_limit)
        decoding = Decoding.new(response["content-encoding"], body_limit)
        @partial = response
        raw = 0
        response.read_body do |chunk|
          raw += chunk.bytesize
          decoding << chunk
        end
        short = verb == :get && response.class.body_permitted? && response.content_length && raw < response.content_length
        raise FetchError.new("closed", "the connection ended before a whole answer") if short || !decoding.whole?

        decoding.body
      end

      def failed(error, guard, url)
        drop(url)
        status = @partial&.code&.to_i
        @partial = nil
        Answer.new(status: status, header_lines: guard.header_lines, body: "".b, error: error.kind, error_detail: error.message)
      end

      def request(url, verb)
        kind = (verb == :head) ? Net::HTTP::Head : Net::HTTP::Get
        kind.new(url.request_target, "Host" => url.authority, "User-Agent" => @user_agent, "Accept" => "*/*",
          "Accept-Encoding" => Decoding::ACCEPTED)
      end

      def connection_to(url, guard)
        connection = @connections[url.origin] ||= connect(url)
        connection.guard = guard
        connection.start unless connection.started?
        connection
      end

      def connect(url)
        drop_oldest if @connections.size >= MOST_CONNECTIONS
        address, port = @addresses.find(url.host, url.effective_port)
        Connection.to(url, address: address, port: port, open_seconds: [OPEN_SECONDS, @seconds].min)
      end

      def drop_oldest
        _, connection = @connections.shift
        connection.finish if connection.started?
      end

      def drop(url)
        connection = @connections.delete(url.origin)
        connection.finish if connection&.started?
      rescue IOError
        # It was closed already.
      end
    end
  end
end
