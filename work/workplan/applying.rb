# frozen_string_literal: true

require "cgi"
require "csv"

module IronTrellis
  module Work
    module Workplan
      # Hands the texts of a fix to those who keep the site stand-in, who do as it says. Only a site whose hosts are
      # invented (RFC 2606, .example) and answer as the stand-in can be changed so.
      class Applying
        INVENTED = ".example"
        XML = "application/xml"
        EMPTY = {"parts" => "", "listed" => false, "head" => nil, "body" => nil}.freeze
        CONTENT = {"title" => "title", "description" => "description", "h1" => "heading"}.freeze

        # @param site [Store::Sites::Site]
        # @return [Ports::StandInClient, nil] nil where the site isn't the stand-in
        def self.client(site)
          settings = site.crawl_settings
          host = settings.main_host
          return unless settings.scope.hosts.keys.all? { |one| one.end_with?(INVENTED) }

          address = settings.resolve["#{host}:80"] or return
          client = Ports::StandInClient.new(host, address)
          client if client.there?
        end

        # @param site [Store::Sites::Site]
        # @param client [Ports::StandInClient, nil]
        # @raise [Core::Error::Conflict] where the site isn't the stand-in
        def initialize(site, client: self.class.client(site))
          @client =
            client ||
            raise(Core::Error::Conflict.new("#{site.name} isn't the stand-in: nothing can be applied there."))
          @site = site
        end

        # @param texts [Array<Hash{String => String}>] name and content, as a fix carries them
        # @return [Integer] how many orders were given
        # @raise [Core::Error::Conflict] where none of them says what to do
        def call(texts)
          @orders = 0
          texts.each { |text| apply(text["name"], text["content"]) }
          return @orders if @orders.positive?

          raise Core::Error::Conflict.new("This fix carries no text that the stand-in could follow.")
        end

        private

        def apply(name, content)
          case name
          when "redirects.csv"
            rows(content).each { |row| redirect(row) }
          when "canonicals.csv"
            rows(content).each { |row| canonical(row) }
          when "directives.csv"
            rows(content).each { |row| directive(row) }
          when "links.csv"
            rows(content).each { |row| link(row) }
          when "hreflang.csv"
            languages(rows(content))
          when "texts.csv"
            rows(content).each { |row| write(row) }
          when "robots.txt"
            file("/robots.txt", content, "text/plain")
          when /\.xml\z/
            file("/#{name}", content, XML)
          end
        end

        # A template's own line stands for no page.
        def rows(content) = CSV.parse(content, headers: true).reject { |row| row[0] && !row[0].match?(%r{\Ahttps?://}) }

        def redirect(row) = change(row["from"], {"status" => row["status"].to_i, "location" => row["to"], **EMPTY})

        def canonical(row)
          target = row["line"][/href="([^"]+)"/, 1] || row["line"][/<([^>]+)>/, 1]
          change(row["url"], {"canonical" => CGI.unescapeHTML(target), "head" => nil, "headers" => {}})
        end

        def directive(row)
          return change(row["url"], {"headers" => {}}) if row["where"] == "header" && row["action"] == "remove"
          return change(row["url"], {"headers" => {"x-robots-tag" => "noindex"}}) if row["where"] == "header"

          change(row["url"], {"robots" => (row["text"][/content="([^"]+)"/, 1] if row["action"] == "add")})
        end

        def link(row)
          return unless row["present"]

          @orders += 1
          @client.repoint(row["present"], row["wanted"] || "#{row["page"][%r{\Ahttps?://[^/]+}]}/")
        end

        def languages(rows)
          rows
            .group_by { |row| row["url"] }
            .each do |url, set|
              alternates = set.map { |row| row.values_at("hreflang", "target") }
              change(url, {"alternates" => alternates, "head" => nil, "headers" => {}})
            end
        end

        def write(row)
          return describe(row) if row["element"] == "alt" && row["after"]
          return mark_up(row) if row["element"] == "data" && row["after"]

          field = CONTENT[row["element"]]
          change(row["url"], {field => row["after"]}) if field && row["after"]
        end

        def mark_up(row)
          json = row["after"].gsub("</", "<\\/")
          change(row["url"], {"head" => %(<script type="application/ld+json">#{json}</script>)})
        end

        # The image is named before its alt text as it was.
        def describe(row)
          @orders += 1
          @client.describe(row["url"], row["before"][/\A\S+/], row["after"])
        end

        def file(path, content, type)
          main = @site.crawl_settings.main_host
          change(
            "http://#{main}#{path}",
            {"body" => content, "content_type" => type, "status" => 200, "location" => nil}
          )
        end

        def change(url, fields)
          host, path = url.match(%r{\Ahttps?://([^/]+)(/.*)\z}).captures
          @orders += 1
          @client.change(host, path, fields)
        end
      end
    end
  end
end
