# frozen_string_literal: true

require "net/http"
require "uri"

module IronTrellis
  module Ports
    # One exchange with a server that somebody named: with the address that was checked, whatever its name says by now;
    # ended after a time however slowly it answers; and given up where nobody waits for it any more.
    class Outgoing
      MOST_BYTES = 20_000_000
      # How often it is asked whether somebody waits still.
      STEP = 0.25

      # @param uri [URI::HTTP] of the server
      # @param address [String] to which its host was resolved
      # @param seconds [Numeric] for all of one exchange
      # @param wanted [#call] raises where nobody waits for it any more
      def initialize(uri, address:, seconds:, wanted: -> {})
        @uri = uri
        @address = address
        @seconds = seconds
        @wanted = wanted
      end

      # @param request [Net::HTTPRequest]
      # @return [Net::HTTPResponse] with its whole body
      # @raise [IOError] where it takes too long, is too large or cut; and NetworkFailures::ALL
      def call(request)
        # Nothing of ours is held in it, so that it may be ended at any moment.
        exchange = Thread.new { ask(request) }
        exchange.report_on_exception = false
        ends = monotonic + @seconds
        until exchange.join(STEP)
          @wanted.call
          raise IOError.new("no whole answer within #{@seconds} seconds") if monotonic > ends
        end
        exchange.value
      ensure
        exchange&.kill&.join
      end

      private

      def ask(request)
        http = Net::HTTP.new(@uri.hostname, @uri.port, nil)
        http.ipaddr = @address
        http.use_ssl = @uri.scheme == "https"
        http.open_timeout = http.read_timeout = http.write_timeout = @seconds
        http.max_retries = 0
        http.start { http.request(request) { |answer| hold(answer) } }
      end

      # No more than an honest answer has.
      def hold(answer)
        text = +""
        answer.read_body do |piece|
          text << piece
          raise IOError.new("the answer is larger than #{MOST_BYTES / 1_000_000} MB") if text.bytesize > MOST_BYTES
        end
        length = answer["content-length"]&.to_i
        raise IOError.new("the answer was cut") if length && text.bytesize < length

        answer.body = text
      end

      def monotonic = Process.clock_gettime(Process::CLOCK_MONOTONIC)
    end
  end
end
