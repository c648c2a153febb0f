# frozen_string_literal: true

require "brotli"
require "net/http"
require "openssl"
require "socket"
require "timeout"
require "zlib"

module IronTrellis
  module Fetch
    module Http
      # A request that brought no usable answer. `kind` is the error word of formats: dns, connect, closed, tls,
      # timeout, too_large or malformed.
      class FetchError < Core::Error
        KINDS = {
          "dns" => [SocketError],
          "tls" => [OpenSSL::SSL::SSLError],
          "timeout" => [Net::OpenTimeout, Net::ReadTimeout, Net::WriteTimeout, Timeout::Error],
          "closed" => [EOFError, Errno::ECONNRESET, Errno::EPIPE, Errno::ECONNABORTED, IOError],
          "connect" => [SystemCallError, Net::HTTPClientException, Net::HTTPFatalError, Net::HTTPRetriableError],
          "malformed" => [
            Core::Page::Unreadable,
            Net::ProtocolError,
            Net::HTTPBadResponse,
            Net::HTTPHeaderSyntaxError,
            Zlib::Error,
            Brotli::Error,
            ArgumentError
          ]
        }.freeze

        attr_reader :kind

        # @param kind [String]
        # @param message [String]
        def initialize(kind, message)
          super(message)
          @kind = kind
        end

        # @param error [Exception] raised by a request
        # @return [FetchError]
        # @raise the error itself where it is none that a server can cause
        def self.from(error)
          return error if error.is_a?(FetchError)

          kind = KINDS.find { |_, classes| classes.any? { |one| error.is_a?(one) } }&.first
          raise error unless kind

          message = error.message.to_s.scrub.delete("\0").lines.first.to_s.strip
          new(kind, (kind == "tls") ? Trust.words(message) : message)
        end
      end
    end
  end
end
