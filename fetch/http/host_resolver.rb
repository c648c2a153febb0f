# frozen_string_literal: true

require "ipaddr"
require "socket"

module IronTrellis
  module Fetch
    module Http
      # Where requests really go: names are resolved once, mapped hosts go to their given address, and private, loopback
      # and link-local addresses are refused unless they were named or allowed. A connection is made to the address that
      # was judged here, so a name can't be rebound in between.
      class HostResolver
        # What isn't of the global network (IANA's registries of special-purpose addresses), with what carries IPv4
        # addresses inside: 6to4, Teredo, NAT64, IPv4-compatible; site-local addresses, and those of documents.
        DEFAULT_PORTS = [80, 443].freeze
        PRIVATE =
          %w[
            0.0.0.0/8
            10.0.0.0/8
            100.64.0.0/10
            127.0.0.0/8
            169.254.0.0/16
            172.16.0.0/12
            192.0.0.0/24
            192.0.2.0/24
            192.88.99.0/24
            192.168.0.0/16
            198.18.0.0/15
            198.51.100.0/24
            203.0.113.0/24
            224.0.0.0/3
            ::/96
            ::ffff:0:0:0/96
            64:ff9b::/96
            64:ff9b:1::/48
            100::/64
            2001::/32
            2001:db8::/32
            2002::/16
            3fff::/20
            fc00::/7
            fe80::/10
            fec0::/10
            ff00::/8
          ].map { |range| IPAddr.new(range) }.freeze

        # What the settings of a crawl allow: private addresses of the hosts in scope, and of others that its pages link
        # to only where those are to be checked; never of what robots.txt files or redirects name.
        #
        # @param settings [Core::Settings::Crawl]
        # @return [HostResolver]
        def self.of(settings)
          scope = settings.scope
          within = ->(authority) { scope.hosts.key?(authority) }
          new(
            resolve: settings.resolve,
            allow_private: settings.allow_private && (settings.check_external || within)
          )
        end

        # @param resolve [Hash{String => String}] "host:port" => "address" or "address:port"
        # @param allow_private [Boolean, #call] true for any; else asked with a host, with its port where that isn't a
        #   scheme's own
        def initialize(resolve:, allow_private:)
          @resolve = resolve
          @allow_private = allow_private
          @known = {}
          # One for each host: a name that is slow to be found holds up no other.
          @locks = Hash.new { |locks, host| locks[host] = Mutex.new }
          @lock = Mutex.new
        end

        # @param host [String]
        # @param port [Integer]
        # @return [Array<Array(String, Integer)>] addresses and ports to connect to, in the order in which to try them
        # @raise [FetchError] dns where there is no address, connect where all are refused
        def find(host, port)
          mapped = @resolve["#{host}:#{port}"]
          mapped ? [split(mapped, port)] : permitted(host, port).map { |address| [address, port] }
        end

        # @return [Boolean] whether requests for it go to an address that was given
        def mapped?(host, port) = @resolve.key?("#{host}:#{port}")

        # Judges a host that a proxy will resolve: what we can tell of its addresses must not be private.
        #
        # @raise [FetchError]
        def permit(host, port)
          permitted(host, port)
        rescue FetchError => error
          raise unless error.kind == "dns"
        end

        private

        def split(mapped, port)
          address, mapped_port = mapped.match(/\A(\[[^\]]*\]|[^:]*)(?::(\d+))?\z/)&.captures
          [address.to_s.delete("[]"), mapped_port ? mapped_port.to_i : port]
        end

        def permitted(host, port)
          addresses = @lock.synchronize { @locks[host] }.synchronize { @known[host] ||= lookup(host) }
          raise FetchError.new("dns", "#{host} has no address") if addresses.empty?

          allowed = private_allowed?(host, port) ? addresses : addresses.reject { |address| private?(address) }
          return allowed if allowed.any?

          raise FetchError.new(
            "connect",
            "#{host} has a private address (#{addresses.first}), which is refused unless private addresses are allowed"
          )
        end

        def private_allowed?(host, port)
          return @allow_private unless @allow_private.respond_to?(:call)

          @allow_private.call(DEFAULT_PORTS.include?(port) ? host : "#{host}:#{port}")
        end

        def lookup(host)
          Addrinfo.getaddrinfo(host.delete("[]"), nil, nil, :STREAM).map(&:ip_address).uniq
        rescue SocketError
          []
        end

        def private?(text)
          address = IPAddr.new(text)
          address = address.native if address.ipv4_mapped?
          PRIVATE.any? { |range| range.include?(address) }
        end
      end
    end
  end
end
