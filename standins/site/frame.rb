# frozen_string_literal: true

require "cgi"

module SkerrySite
  # Puts a page's content into the frame of the site: head, header, navigation, footer.
  class Frame
    NAVIGATION = {
      "/lamps/" => "Lamps",
      "/guides/" => "Guides",
      "/journal/" => "Journal",
      "/press/" => "Press",
      "/stockists/" => "Stockists",
      "/about" => "About",
      "/contact" => "Contact"
    }.freeze
    # What the foot of each foreign page says.
    FOREIGN = {
      "pt" => ["Lanternas feitas à mão no porto", "Oficina aberta às sextas-feiras"],
      "it" => ["Lanterne fatte a mano nel porto", "Officina aperta il venerdì"],
      "da" => ["Lamper lavet i hånden ved havnen", "Værkstedet er åbent om fredagen"],
      "nb" => ["Lamper laget for hånd ved havna", "Verkstedet er åpent på fredager"]
    }.freeze

    # @param page [Page]
    # @return [String] an HTML document
    def call(page)
      <<~HTML
        <!doctype html>
        <html#{" lang=\"#{page.lang}\"" if page.lang}>
        <head>
        <meta charset="utf-8">
        #{head(page).join("\n")}
        </head>
        <body>
        #{page.bare ? page.parts : framed(page)}
        </body>
        </html>
      HTML
    end

    private

    def framed(page)
      <<~HTML.chomp
        <header><a href="#{home(page)}">#{mark(page)}</a>#{navigation(page)}</header>
        <main>
        #{page.parts}
        #{page.tail}
        </main>
        #{footer(page)}#{"<!-- #{"." * page.padding} -->" if page.padding}
      HTML
    end

    def head(page)
      [
        ("<title>#{escape(page.title)}</title>" if page.title),
        ("<meta name=\"description\" content=\"#{escape(page.description)}\">" if page.description),
        ('<meta name="viewport" content="width=device-width, initial-scale=1">' unless page.viewport == false),
        ("<meta name=\"robots\" content=\"#{escape(page.robots)}\">" if page.robots),
        ("<link rel=\"canonical\" href=\"#{escape(page.canonical)}\">" if page.canonical),
        *page.alternates.map { |code, url| "<link rel=\"alternate\" hreflang=\"#{code}\" href=\"#{escape(url)}\">" },
        page.head,
        '<link rel="stylesheet" href="/style.css">'
      ].compact
    end

    def home(page)
      (english?(page) || page.lang == "da") ? "/" : "/#{page.lang}/"
    end

    def mark(page) = "Skerry Lamp Works"

    # A page that doesn't say so is English, too.
    def english?(page) = page.lang.nil? || page.lang == "en"

    def navigation(page)
      return "" unless english?(page)

      items = NAVIGATION.map { |href, text| "<li><a href=\"#{href}\">#{text}</a></li>" }
      "<nav><ul>#{items.join}</ul></nav>"
    end

    def footer(page)
      return "<footer><p>#{FOREIGN[page.lang].join(". ")}.</p>#{sister(page)}</footer>" unless english?(page)

      <<~HTML.chomp
        <footer><p>Skerry Lamp Works, the Net Loft, Inner Quay. Workshop open on Fridays.</p>
        <p><a href="/pt/">Português</a> <a href="/it/">Italiano</a>
        <a href="http://www.skerrylamper.example/">Dansk</a></p></footer>
      HTML
    end

    # The Danish and the Norwegian pages share a host and lead to each other.
    def sister(page)
      href, name = {"da" => ["/nb/", "Norsk"], "nb" => ["/", "Dansk"]}[page.lang]
      href ? "<p><a href=\"#{href}\">#{name}</a></p>" : ""
    end

    def escape(text) = CGI.escapeHTML(text.to_s)
  end
end
