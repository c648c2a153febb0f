# frozen_string_literal: true

require "net/http"
require "openssl"
require "socket"
require "timeout"

module IronTrellis
  module Ports
    # What keeps a request from being answered, on our side or on the way.
    module NetworkFailures
      ALL = [
        SystemCallError,
        SocketError,
        IOError,
        Timeout::Error,
        Net::ProtocolError,
        Net::HTTPBadResponse,
        OpenSSL::SSL::SSLError
      ].freeze
    end
  end
end
