# frozen_string_literal: true

require "net/http"
require "socket"
require "uri"

module IronTrellis
  module Fetch
    module Http
      # A persistent connection to one origin, whose reads are guarded.
      class Connection < Net::HTTP
        # Where the milliseconds since data were last sent stand in the system's record; those since data were last
        # received stand behind the next number.
        LAST_DATA_SENT = 44

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
          new(
            url.host.delete("[]"),
            url.effective_port,
            proxy.host.delete("[]"),
            proxy.effective_port,
            user,
            password
          ).tap { |connection| connection.prepare(url, seconds, trust) }
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

        # How long the server took, as the system saw it: from the last byte of the request to the last one of the
        # answer, however late we came to read it (tcp(7), TCP_INFO).
        #
        # @return [Integer, nil] milliseconds; nil where the system doesn't tell
        def served_ms
          info = @socket.io.to_io.getsockopt(Socket::IPPROTO_TCP, Socket::TCP_INFO).data
          sent, received = info.byteslice(LAST_DATA_SENT, 12).unpack("L<x4L<")
          sent - received if sent && received && sent >= received
        rescue SystemCallError, NoMethodError, IOError
          nil
        end

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
end
