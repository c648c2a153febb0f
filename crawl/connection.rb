# frozen_string_literal: true

require "net/http"

module IronTrellis
  module Crawl
    # A persistent connection to one origin, whose reads are guarded.
    class Connection < Net::HTTP
      # @param url [Core::Url::Parts] any URL of the origin
      # @param address [String] the address to connect to
      # @param port [Integer]
      # @param open_seconds [Numeric]
      # @return [Connection] not yet started
      def self.to(url, address:, port:, open_seconds:)
        new(url.host.delete("[]"), port, nil).tap do |connection|
          connection.ipaddr = address
          connection.open_timeout = open_seconds
          connection.max_retries = 0
          connection.use_ssl = url.scheme == "https"
        end
      end

      # @param guard [Guard] of the request that comes next
      def guard=(guard)
        @guard = guard
        @socket.guard = guard if @socket
      end

      # @return [Boolean] whether it has served a request before, so that the server may have closed it meanwhile
      def used? = !@last_communicated.nil?

      private

      def connect
        super
        @socket = GuardedIo.new(@socket.io, write_timeout: @write_timeout)
        @socket.guard = @guard
      end
    end
  end
end
