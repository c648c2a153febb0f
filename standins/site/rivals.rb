# frozen_string_literal: true

require "cgi"
require "yaml"

module SkerrySite
  # Pages of other makers, on hosts of their own.
  class Rivals
    FILE = File.expand_path("content/rivals.yml", __dir__)
    STYLE = "<style>body{font:16px/1.5 serif;max-width:40em;margin:2em auto}</style>"

    DRAWN =
      '<svg xmlns="http://www.w3.org/2000/svg" width="240" height="160"><rect x="90" y="40" width="60" height="80"/>' \
      "</svg>"

    # @return [Array<Page>]
    def pages =
      YAML.safe_load_file(FILE).flat_map do |host, pages|
        pages.flat_map { |path, told| [page(host, path, told), picture(host, told)].compact }
      end

    private

    def page(host, path, told)
      Page.new(
        host: host,
        path: path,
        status: 200,
        lang: "en",
        title: told["title"],
        description: told["description"],
        head: STYLE,
        parts: parts(told),
        bare: true,
        headers: {},
        alternates: [],
        listed: false,
        canonical: "http://#{host}#{path}"
      )
    end

    def parts(told)
      picture = told["image"]
      [
        "<main><h1>#{escape(told["heading"])}</h1>",
        *told["paragraphs"].map { |text| "<p>#{escape(text)}</p>" },
        picture && %(<p><img src="/#{picture.first}" alt="#{escape(picture.last)}" width="240" height="160"></p>),
        *told["sections"].to_h.map { |heading, text| "<h2>#{escape(heading)}</h2><p>#{escape(text)}</p>" },
        "</main>"
      ].compact.join("\n")
    end

    def picture(host, told)
      name = told.dig("image", 0) or return
      Page.new(
        host: host,
        path: "/#{name}",
        status: 200,
        content_type: "image/svg+xml",
        body: DRAWN,
        headers: {},
        alternates: [],
        listed: false
      )
    end

    def escape(text) = CGI.escapeHTML(text)
  end
end
