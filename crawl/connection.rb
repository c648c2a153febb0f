# frozen_string_literal: true

require "net/http"
require "uri"

module IronTrellis
  module Crawl
    # A persistent connection to one origin, whose reads are guarded.
    class Connection < Net::HTTP
      # @param url [Core::Url::Parts] any URL of the origin
      # @param address [String] the address to connect to
      # @param port [Integer]
      # @param seconds [Numeric] for the connection, and for the TLS handshake
      # @param trust [OpenSSL::X509::Store, nil] nil where no TLS is spoken
      # @return [Connection] not yet started
      def self.to(url, address:, port:, seconds:, trust:)
        new(url.host.delete("[]"), port, nil).tap do |connection|
          connection.ipaddr = address
          connection.prepare(url, seconds, trust)
        end
      end

      # @param url [Core::Url::Parts] any URL of the origin
      # @param proxy [Core::Url::Parts] through which all goes; it resolves the host itself
      # @return [Connection] not yet started
      def self.through(proxy, url, seconds:, trust:)
        user, password = proxy.userinfo&.split(":", 2)&.map { |part| URI.decode_www_form_component(part) }
        new(url.host.delete("[]"), url.effective_port, proxy.host.delete("[]"), proxy.effective_port, user, password).tap { |connection| connection.prepare(url, seconds, trust) }
      end

      # What all connections share.
      #
      # @return [void]
      def prepare(url, seconds, trust)
        self.open_timeout = self.ssl_timeout = seconds
        self.max_retries = 0
        return unless url.scheme == "https"

        self.use_ssl = true
        self.cert_store = trust
      end

      # @param guard [Guard] of the request that comes next
      def guard=(guard)
        @guard = guard
        @socket.guard = guard if @socket
      end

      # @return [Boolean] whether it has served a request before, so that the server may have closed it meanwhile
      def used? = !@last_communicated.nil?

      # @return [Boolean] whether it is open and can't be used again
      def spoilt? = started? && (@socket.closed? || @socket.spoilt?)

      private

      def connect
        super
        @socket = GuardedIo.new(@socket.io, write_timeout: @write_timeout)
        @socket.guard = @guard
      end
    end
  end
end
