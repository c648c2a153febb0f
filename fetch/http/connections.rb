# frozen_string_literal: true

require "net/http"

module IronTrellis
  module Fetch
    module Http
      # The open connections of one client, by origin: found again, opened to the addresses that are permitted, dropped.
      class Connections
        MOST = 8
        UNREACHABLE = [
          Errno::ECONNREFUSED,
          Errno::EHOSTUNREACH,
          Errno::ENETUNREACH,
          Errno::EADDRNOTAVAIL,
          Net::OpenTimeout
        ].freeze

        # @param addresses [HostResolver]
        # @param profile [RequestProfile]
        def initialize(addresses, profile)
          @addresses = addresses
          @profile = profile
          @open = {}
        end

        # @param url [Core::Url::Parts]
        # @param guard [Guard]
        # @return [Connection] started, with that guard
        # @raise [FetchError, SystemCallError, OpenSSL::SSL::SSLError, Net::OpenTimeout]
        def get(url, guard)
          connection = @open[url.origin]
          connection = drop(url) if connection&.spoilt?
          connection ||= begin_one(url, guard)
          connection.guard = guard
          connection.start unless connection.started?
          connection
        end

        # @param url [Core::Url::Parts]
        # @return [nil]
        def drop(url)
          connection = @open.delete(url.origin)
          connection.finish if connection&.started?
          nil
        rescue IOError
          # It was closed already.
        end

        # @return [void]
        def close
          @open.each_value { |connection| connection.finish if connection.started? }
          @open.clear
        end

        private

        def begin_one(url, guard)
          drop_oldest if @open.size >= MOST
          @open[url.origin] = via_proxy?(url) ? through_proxy(url) : direct(url, guard)
        end

        def via_proxy?(url) = @profile.proxy && !@addresses.mapped?(url.host, url.effective_port)

        def through_proxy(url)
          @addresses.permit(url.host, url.effective_port)
          Connection.through(@profile.proxy, url, seconds: @profile.connect_seconds, trust: trust(url))
        end

        # A host with several addresses (IPv6 and IPv4, say) is reached by the first that answers.
        def direct(url, guard)
          candidates = @addresses.find(url.host, url.effective_port)
          candidates.each_with_index do |(address, port), index|
            connection =
              Connection.to(url, address: address, port: port, seconds: @profile.connect_seconds, trust: trust(url))
            connection.guard = guard
            return connection.tap(&:start)
          rescue *UNREACHABLE
            raise if index == candidates.size - 1
          end
        end

        def trust(url) = (url.scheme == "https") ? @profile.trust_store : nil

        def drop_oldest
          _, connection = @open.shift
          connection.finish if connection.started?
        end
      end
    end
  end
end
