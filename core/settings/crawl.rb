# frozen_string_literal: true

module IronTrellis
  module Core
    module Settings
      # Everything that a crawl is told, validated in this one place. Kept as JSON with the site and with each crawl.
      class Crawl
        FIELDS = {
          "start_urls" => [], "hosts" => [], "include" => [], "exclude" => [], "agent" => "IronTrellis", "limit" => 500_000,
          "max_depth" => 50, "rate" => 5.0, "concurrency" => 4, "resolve" => {}, "ignore_robots" => false,
          "check_external" => false, "allow_private" => false, "body_limit" => 15_000_000, "seconds" => 20
        }.freeze
        RANGES = {"limit" => 1..50_000_000, "max_depth" => 0..1000, "rate" => 0..1000, "concurrency" => 1..64,
                  "body_limit" => 1_000..500_000_000, "seconds" => 1..300}.freeze
        MEANINGS = {"limit" => "The limit of URLs", "max_depth" => "The depth", "rate" => "Requests a second",
                    "concurrency" => "Requests at once", "body_limit" => "The size of an answer", "seconds" => "The time for an answer"}.freeze
        AGENT = /\A[A-Za-z_-]+\z/
        MAPPING = /\A[^\s:]+:\d{1,5}\z/
        ADDRESS = /\A(?:\d{1,3}(?:\.\d{1,3}){3}|\[[\h:.]+\])(?::\d{1,5})?\z/

        # Some settings can't be used; `data[:problems]` lists each as {field, message}.
        class Invalid < Error::InvalidInput; end

        FIELDS.each_key { |name| define_method(name) { @values[name] } }

        # @param values [Hash{String => Object}] what differs from the defaults; others are filled in
        # @raise [Invalid] with every problem found
        def initialize(values)
          @values = FIELDS.merge(values.slice(*FIELDS.keys).compact)
          @problems = []
          check
          raise Invalid.new(@problems.map { |one| one[:message] }.join(" "), problems: @problems) if @problems.any?

          @values["start_urls"] = start_urls.map { |url| Url::NormalForm.of(url) }.uniq
        end

        # @return [Hash{String => Object}] all settings, for keeping
        def to_h = @values

        # @return [Url::Scope] the hosts of the start URLs and those named, narrowed by the patterns
        def scope
          Url::Scope.new(hosts: start_hosts + hosts, include: patterns("include"), exclude: patterns("exclude"))
        end

        # @return [String] the host whose folders name groups without it
        def main_host = start_hosts.first

        # @return [String] the User-Agent header
        def user_agent = "#{agent}/#{VERSION} (site audit)"

        private

        def start_hosts = start_urls.map { |url| Url::NormalForm.parse(url).authority }.uniq

        def patterns(field) = @values[field].map { |source| Url::Pattern.new(source) }

        def check
          problem("start_urls", "Give at least one start URL, with http:// or https:// in front.") if start_urls.empty?
          try("start_urls", start_urls) { |url| Url::NormalForm.parse(url) }
          %w[include exclude].each { |field| try(field, @values[field]) { |source| Url::Pattern.new(source) } }
          check_hosts
          check_numbers
          check_resolve
          problem("agent", "The agent token may hold letters, hyphens and underscores only (RFC 9309).") unless AGENT.match?(agent)
        end

        def check_hosts
          hosts.each do |host|
            parts = Url::NormalForm.parse?("http://#{host}/")
            next if parts && parts.path == "/" && parts.authority == host.downcase

            problem("hosts", "“#{host}” is not a host. Give a name like www.example.test, without http:// and path.")
          end
        end

        def check_numbers
          RANGES.each do |field, range|
            value = @values[field]
            next if value.is_a?(Numeric) && range.cover?(value)

            problem(field, "#{MEANINGS[field]} must be a number from #{range.min} to #{range.max}.")
          end
        end

        def check_resolve
          resolve.each do |from, to|
            next if MAPPING.match?(from) && ADDRESS.match?(to)

            problem("resolve", "“#{from} to #{to}” can't be mapped. Give host:port and an address, which may have a port of its own.")
          end
        end

        def try(field, values)
          values.each do |value|
            yield value
          rescue Error::InvalidInput => error
            problem(field, error.message)
          end
        end

        def problem(field, message) = @problems << {field: field, message: message}
      end
    end
  end
end
