# frozen_string_literal: true

require "json"
require "net/http"
require "openssl"
require "uri"

module IronTrellis
  module Ports
    module Alerts
      # Posts JSON, signed by HMAC-SHA256 (RFC 2104) with a secret that the receiver knows.
      module Webhook
        SIGNATURE = "X-Iron-Trellis-Signature"
        SECONDS = 10

        module_function

        # @param url [String]
        # @param payload [Hash]
        # @param secret [String]
        # @param address [String] to which the host of the URL was resolved
        # @return [void]
        # @raise [Undelivered]
        def call(url, payload, secret:, address:)
          body = JSON.generate(payload)
          uri = URI(url)
          request = Net::HTTP::Post.new(uri, "Content-Type" => "application/json", SIGNATURE => sign(body, secret))
          request.body = body
          answer = Outgoing.new(uri, address: address, seconds: SECONDS).call(request)
          raise Undelivered.new("#{uri.host} answered #{answer.code}.") unless answer.is_a?(Net::HTTPSuccess)
        rescue *NetworkFailures::ALL, URI::Error => error
          raise Undelivered.new("#{uri.host} didn't take it: #{error.message}")
        end

        # @param body [String]
        # @param secret [String]
        # @return [String] such as "sha256=0a1b…"
        def sign(body, secret) = "sha256=#{OpenSSL::HMAC.hexdigest("SHA256", secret, body)}"
      end
    end
  end
end
