# frozen_string_literal: true

module IronTrellis
  module Core
    module Settings
      # The settings of a crawl, one by one: name, default, what may be given.
      module CrawlFields
        # Follow links; fetch only a list; fetch only what sitemaps list.
        MODES = %w[follow list sitemaps].freeze
        # Pages as they are sent; as their scripts leave them; as they are sent, with some of each group after their
        # scripts.
        RENDERINGS = %w[raw rendered both].freeze
        # RFC 9309 knows no digits in it, but robots.txt files and crawlers do.
        TOKEN = /\A[A-Za-z0-9_-]+\z/
        HEADER_VALUE = /\A[\x21-\x7E][\x20-\x7E]{0,500}\z/
        PARAMETER = /\A[^\s&=*?#]+\*?\z|\A\*\z/
        FOLDER = %r{\A(?:https?://[^/\s]+)?/(?:\S*/)?\z}

        def scope_fields
          [
            Fields::List.new("start_urls", most: 1000, clean: Start.method(:read)) { |text| Start.read(text) && nil },
            urls("list", 500_000),
            Fields::Choice.new("mode", "follow", MODES),
            Fields::List.new("hosts", clean: :downcase.to_proc) { |host| host_problem(host) },
            Fields::List.new("folders") do |folder|
              "“#{folder}” is no folder. Give a path that ends in a slash, like /pt/." unless FOLDER.match?(folder)
            end,
            patterns("include"),
            patterns("exclude"),
            Fields::List.new("drop_parameters") do |name|
              unless PARAMETER.match?(name)
                "“#{name}” is no parameter's name. Give it without ? and =, like sid or utm_*."
              end
            end,
            Fields::Caps.new("caps", [])
          ]
        end

        def fetch_fields
          [
            Fields::Number.new("limit", 500_000, 1..50_000_000, "The limit of URLs"),
            Fields::Number.new("max_depth", 50, 0..1000, "The depth"),
            Fields::Number.new("trap_limit", 250, 1..1_000_000, "The limit for an endless space"),
            Fields::Number.new("body_limit", 15_000_000, 1_000..500_000_000, "The size of an answer"),
            *%w[pdfs images scripts styles].map { |name| Fields::Flag.new(name, true) },
            Fields::Choice.new("rendering", "raw", RENDERINGS),
            *%w[check_external follow_nofollow].map { |name| Fields::Flag.new(name, false) },
            Fields::Flag.new("read_sitemaps", true),
            urls("sitemaps", 1000),
            Fields::Number.new("keep_crawls", 20, 0..10_000, "The number of crawls to keep (0 for all)")
          ]
        end

        def speed_fields
          [
            Fields::Number.new("rate", 5.0, 0..1000, "Requests a second"),
            Fields::Number.new("concurrency", 4, 1..64, "Requests at once"),
            Fields::Flag.new("keep_crawl_delay", true),
            Fields::Number.new("connect_seconds", 10.0, 0.1..120, "The time for a connection"),
            Fields::Number.new("first_byte_seconds", 20.0, 0.1..300, "The time for the first byte"),
            Fields::Number.new("seconds", 20.0, 0.1..300, "The time for an answer"),
            Fields::Number.new("retries", 2, 0..10, "The number of further tries")
          ]
        end

        def identity_fields
          [
            Fields::Text.new(
              "agent",
              "IronTrellis",
              TOKEN,
              "The agent token may hold letters, digits, hyphens and underscores only (RFC 9309)."
            ),
            Fields::Text.new(
              "agent_header",
              "",
              HEADER_VALUE,
              "The agent header must be one line of plain characters."
            ),
            Fields::Flag.new("ignore_robots", false),
            Fields::Mapping.new("resolve", {}),
            Fields::Flag.new("allow_private", false),
            Fields::Certificates.new("trusted_authority", "")
          ]
        end

        private

        def urls(name, most) =
          Fields::List.new(name, most: most, clean: Url::NormalForm.method(:of)) do |url|
            Url::NormalForm.parse(url) && nil
          end

        def patterns(name) = Fields::List.new(name) { |source| Url::Pattern.new(source) && nil }

        def host_problem(host)
          parts = Url::NormalForm.parse?("http://#{host}/")
          unless parts && parts.path == "/" && parts.authority == host.downcase
            "“#{host}” is not a host. Give a name like www.example.test, without http:// and path."
          end
        end
      end
    end
  end
end
