# frozen_string_literal: true

require "cgi"
require "yaml"

module SkerrySite
  # Builds every page of the site from the texts in content/ and the faults in faults.yml.
  class Catalogue
    HERE = __dir__
    DANISH = "www.skerrylamper.example"
    # Somebody else's site, to which ours links.
    ALMANAC = "www.harbour-almanac.example"
    NAME = "Skerry Lamp Works"
    # Pages that exist once, with their paragraphs.
    SINGLE = {
      "/about" => [
        "About the works",
        [
          "We are twenty-three people in a net loft, with a foundry in the yard and a beacon on the mole. The works " \
          "was founded in 1931 by two brothers and their aunt, and it has been owned since 1974 by those who work in " \
          "it.",
          "Everything is made here: castings, lenses, burners, and the crates they travel in. What we can't make we " \
          "buy from people we have visited. When a lamp comes back for repair the person who made it is asked to do " \
          "it, and if that person has retired they are asked as well.",
          "You can visit on Fridays. Come down the quay as far as it goes, and then knock. If you hear hammering, " \
          "knock again afterwards, for nobody will have heard you the first time, and bring the lamp you wanted to " \
          "ask about."
        ]
      ],
      "/contact" => [
        "How to reach us",
        [
          "Write to the Net Loft, Inner Quay. Letters are opened at nine and answered by four, which is when the " \
          "boat goes. If it is urgent, telephone, and let it ring: the foundry is at the far end of the yard.",
          "For a spare part, send a drawing with a ruler in it or the old part in an envelope. For a repair, write " \
          "down what the lamp has done and where it was when it did it. For a new lamp, tell us the height at which " \
          "it will hang and the distance from which it must be seen.",
          "We don't send newsletters. If you would like to know how the beacon on the mole is doing, send a card in " \
          "December and we will tell you. Invoices are paid within the month by bank or in person, and there is " \
          "always somebody in on a Friday."
        ]
      ],
      "/account/" => [
        "Your account",
        [
          "Sign in with the number on your last invoice to see what you have ordered and where it is. If you have no " \
          "invoice yet, you have no account, and that is quite all right: most people write."
        ]
      ],
      "/account/orders" => [
        "Your orders",
        ["Orders that are being made, being packed or on the boat are listed here once you have signed in."]
      ],
      "/thank-you" => [
        "Thank you for writing",
        [
          "Your letter has come in and lies on the order desk. You will have an answer by the day after tomorrow, or " \
          "sooner if the boat is late."
        ]
      ],
      "/search" => ["Search", ["Type a number or a word from the name of a lamp."]],
      "/guides/wax-for-brass" => [
        "Wax for brass",
        [
          "Two parts of beeswax, one of turpentine, melted over water and left to set in a tin. Rub on thinly, wait, " \
          "rub off."
        ]
      ]
    }.freeze

    FURTHER =
      " There are also <a href=\"/log/\">the log of the beacon</a>, <a href=\"/letters/\">letters with their " \
      "answers</a>, <a href=\"/lamps/spares/book/\">the book of spare parts</a> and <a " \
      "href=\"/pictures/\">pictures</a>."

    # @return [Hash{String => Hash{String => Page}}] by host and path
    attr_reader :pages
    # @return [Hash] sentences of which pages are made that come by the dozen
    attr_reader :telling

    # @param chapters [Boolean] whether the pages are there that come by the dozen; without them the site is small and
    #   has all faults all the same
    def initialize(chapters: true)
      @chapters = chapters
      @pages = Hash.new { |hosts, host| hosts[host] = {} }
      @faults = load("../faults")
      @lamps, @articles, @people, @languages = %w[lamps articles people languages].map { |name| load(name) }
      @telling = load("telling")
      Chapters::Abroad.translate(@languages, lamps, @telling["abroad"], @faults[WWW].keys) if chapters
      build
      Chapters.write(self) if chapters
      sow
      add_twins
      add_files
    end

    # @return [Array<Hash>] all lamps, each with its path and category
    def lamps =
      @lamps.flat_map do |slug, category|
        category["items"].map { |item| item.merge("path" => "/lamps/#{slug}/#{item["slug"]}", "category" => slug) }
      end

    # @param path [String] of a page that is there
    # @param parts [String] HTML
    # @return [void]
    def append(path, parts) = @pages[WWW].fetch(path).parts += parts

    # @return [Page]
    def add(path, title, parts, host: WWW, lang: "en", heading: title, description: nil, listed: true, alternates: [])
      url = "http://#{host}#{path}"
      @pages[host][path] = Page.new(
        host: host,
        path: path,
        status: 200,
        lang: lang,
        title: "#{title} | #{NAME}",
        description: blurb(description || "#{title}."),
        parts: "<h1>#{escape(heading)}</h1>\n#{parts}",
        canonical: url,
        headers: {},
        alternates: alternates,
        listed: listed
      )
    end

    # @return [Page] a file that isn't put into the frame
    def add_file(path, content_type, body, host: WWW)
      @pages[host][path] = Page.new(
        host: host,
        path: path,
        status: 200,
        content_type: content_type,
        body: body,
        headers: {},
        alternates: [],
        listed: false
      )
    end

    # @param items [Array<Array(String, String, String)>] address, name, and a text (which may be empty)
    # @return [String] HTML
    def teasers(items)
      entries = items.map { |href, name, text| "<li>#{link(href, name)}#{" #{escape(text)}" unless text.empty?}</li>" }
      "<ul>#{entries.join("\n")}</ul>"
    end

    # The first item of each kind of lamp.
    def firsts
      @lamps.flat_map do |slug, category|
        category["items"].first(1).map { |item| ["/lamps/#{slug}/#{item["slug"]}", item["name"], item["story"]] }
      end
    end

    # @return [String] HTML
    def link(href, name) = "<a href=\"#{escape(href)}\">#{escape(name)}</a>"

    # @param texts [Array<String>]
    # @return [String] HTML
    def paragraphs(texts) = texts.map { |text| "<p>#{escape(text)}</p>" }.join("\n")

    # @return [String] HTML
    def escape(text) = CGI.escapeHTML(text.to_s)

    private

    def load(name) = YAML.safe_load_file(File.join(HERE, "content", "#{name}.yml"), aliases: true)

    def build
      build_home
      @lamps.each { |slug, category| build_category(slug, category) }
      @articles.each { |slug, section| build_section(slug, section) }
      build_people
      build_stockists
      SINGLE.each do |path, (title, paragraphs)|
        add(
          path,
          title,
          paragraphs(paragraphs) + wrong_links(path),
          listed: %w[/about /contact /guides/wax-for-brass].include?(path) && path != "/guides/wax-for-brass"
        )
      end
      @languages.each { |lang, pages| build_language(lang, pages) }
      add(
        "/",
        "Tides and lights of the small ports",
        "<p>High water, low water and every light on the coast, by port and by day.</p>",
        host: ALMANAC,
        listed: false
      )
    end

    def build_home
      add(
        "/",
        "Ship's lamps and harbour lights",
        "<p>Skerry Lamp Works builds ship's lanterns and harbour lights in a small port and sells them to anyone who " \
          "has a boat, a pier or a front door. " \
          "Each lamp is poured, ground, soldered and lit here before it leaves.</p>" \
          "<p>Look at <a href=\"/lamps/\">the lamps</a>, read <a href=\"/guides/choose-a-lamp\">how to choose " \
          "one</a>, or see what has happened lately in <a href=\"/journal/\">the " \
          "journal</a>.#{FURTHER if @chapters} If you would rather hold a lamp before you buy it, there may be a <a " \
          "href=\"/stockists/\">stockist</a> near you.</p>" \
          "<h2>From the bench this month</h2>#{teasers(firsts)}"
      )
      add(
        "/lamps/",
        "All our lamps",
        "<p>Five kinds of lamp and the parts that keep them alight. Every lamp can be had for oil or for " \
        "electricity, and every one is numbered.</p>" +
          teasers(@lamps.map { |slug, category| ["/lamps/#{slug}/", category["name"], category["intro"]] })
      )
    end

    def build_category(slug, category)
      path = "/lamps/#{slug}/"
      items = category["items"].map { |item| [path + item["slug"], item["name"], item["use"]] }
      add(
        path,
        category["title"],
        "<p>#{category["intro"]}</p>#{teasers(items)}#{wrong_links(path)}<h2>Looking after " \
        "them</h2><p>#{category["care"]}</p>",
        heading: category["name"]
      )
      category["items"].each { |item| build_lamp(path, category, item) }
    end

    def build_lamp(folder, category, item)
      path = folder + item["slug"]
      body =
        "<p><img src=\"/images/#{item["slug"]}.svg\" alt=\"#{escape(item["name"])}\" width=\"400\" " \
        "height=\"520\"></p><p>#{item["story"]}</p><p>#{item["use"]}</p>" \
          "#{measures(item)}<h2>Looking after it</h2><p>#{category["care"]}</p><p>See all <a " \
          "href=\"#{folder}\">#{category["name"].downcase}</a>, or read <a href=\"/guides/choose-a-lamp\">how to " \
          "choose a lamp</a>.</p>"
      add(
        path,
        item["name"],
        body,
        description: "#{item["name"]}: #{item["story"][/\A[^.]+\./]}",
        alternates: alternates(path)
      )
      add_file("/images/#{item["slug"]}.svg", "image/svg+xml", Drawing.lamp(item))
    end

    def measures(item)
      rows = {
        "Metal" => item["metal"],
        "Glass" => item["glass"],
        "Height" => "#{item["height"]} cm",
        "Seen at" => "#{item["range"]} nautical miles",
        "Price" => "€ #{item["price"]}"
      }
      rows = rows.reject { |_, value| value == "none" || value.start_with?("0 ") }
      "<table>#{rows.map { |name, value| "<tr><th>#{name}</th><td>#{escape(value)}</td></tr>" }.join}</table>"
    end

    def build_section(slug, section)
      path = "/#{slug}/"
      items = section["items"].map { |item| [path + item["slug"], item["title"], excerpt(item)] }
      add(
        path,
        section["title"],
        "<p>#{section["intro"]}</p>" \
          "#{teasers(items.reject { |url, *| @faults["unlinked"].include?(url) })}#{wrong_links(path)}",
        heading: section["name"]
      )
      section["items"].each do |item|
        by = item["maker"] && "<p>By <a href=\"/makers/#{item["maker"]}\">#{maker(item["maker"])["name"]}</a>, in <a " \
          "href=\"/topics/#{item["topic"]}\">#{item["topic"]}</a>.</p>"
        add(
          path + item["slug"],
          item["title"],
          "#{by}#{paragraphs(item["paragraphs"])}#{wrong_links(path + item["slug"])}" \
            "<p>Back to <a href=\"#{path}\">#{section["name"].downcase}</a>.</p>",
          description: excerpt(item)
        )
      end
    end

    def build_people
      @people["makers"].each do |maker|
        add(
          "/makers/#{maker["slug"]}",
          maker["name"],
          "<p>#{maker["text"]}</p>#{teasers(journal { |item| item["maker"] == maker["slug"] })}",
          listed: false
        )
      end
      @people["topics"].each do |topic|
        items = journal { |item| item["topic"] == topic["slug"] }
        items = items.map { |url, name, _| [url, name, ""] } if topic["slug"] == "lenses"
        add("/topics/#{topic["slug"]}", "Topic: #{topic["name"]}", teasers(items), listed: false)
      end
    end

    def journal(&chosen) =
      @articles["journal"]["items"]
        .select(&chosen)
        .map { |item| ["/journal/#{item["slug"]}", item["title"], item["paragraphs"].first] }

    def build_stockists
      items =
        @people["stockists"].map do |one|
          [
            (one["slug"] == "saint-orrin") ? "/stockists/st-orrin" : "/stockists/#{one["slug"]}",
            one["name"],
            one["text"][/\A[^.]+\./]
          ]
        end
      add("/stockists/", "Where to see our lamps", "<p>Three shops keep our lamps where you can lift them, light " \
        "them and hear what the weather has been doing. They are paid on the same terms as we are: when the lamp has " \
        "gone. Every one of them has spent a week at our benches and can tell you what was being made that " \
        "week.</p>#{teasers(items)}" \
        "<p>If you keep a shop by the water and would like to have lamps in it, come and work with us for a week " \
        "first. We have a bed over the foundry, and it is warm.</p>")
      @people["stockists"].each do |one|
        add(
          "/stockists/#{one["slug"]}",
          one["name"],
          "<p>#{one["text"]}</p>#{wrong_links("/stockists/#{one["slug"]}")}"
        )
      end
    end

    def build_language(lang, pages)
      host = pages["host"] || WWW
      home = pages["home"]
      add(
        home["path"],
        home["title"],
        "<p>#{home["text"]}</p>" + teasers(pages["items"].map { |item| [item["path"], item["title"], ""] }) +
          wrong_links("http://#{host}#{home["path"]}"),
        host: host,
        lang: lang,
        alternates: alternates("/")
      )
      pages["items"].each do |item|
        add(
          item["path"],
          item["title"],
          "<p>#{item["text"]}</p>",
          host: host,
          lang: lang,
          alternates: alternates(item["en"])
        )
      end
      @pages[WWW]["/"].alternates = alternates("/")
    end

    # The set of languages that an English page has, itself included.
    def alternates(path)
      others = @languages.filter_map do |lang, pages|
        match = (path == "/") ? pages["home"] : pages["items"].find { |item| item["en"] == path }
        [lang, "http://#{pages["host"] || WWW}#{match["path"]}"] if match
      end
      others.empty? ? [] : [["en", "http://#{WWW}#{path}"], *others, ["x-default", "http://#{WWW}#{path}"]]
    end

    def sow
      @faults.fetch(WWW).each do |path, fault|
        page =
          @pages[WWW][path] ||= Page.new(
            host: WWW,
            path: path,
            lang: "en",
            headers: {},
            alternates: [],
            status: 200,
            listed: false,
            title: "Skerry Lamp Works",
            parts: ""
          )
        fault.each { |field, value| page[field] = value }
        page.parts = "<h1>#{page.status}</h1>" if page.parts.empty?
        rename(page) if fault.key?("heading")
      end
    end

    # The same page under an address more, which takes itself for the right one.
    def add_twins
      @faults["twins"].each do |path, original|
        @pages[WWW][path] = @pages[WWW][original].dup.tap do |page|
          page.path = path
          page.canonical = "http://#{WWW}#{path}"
          page.listed = false
        end
      end
    end

    def rename(page)
      page.parts = page.parts.sub(%r{<h1>.*?</h1>}, page.heading ? "<h1>#{escape(page.heading)}</h1>" : "")
    end

    def add_files
      add_file("/style.css", "text/css", "body{font:18px/1.6 serif;max-width:46rem;margin:auto}nav " \
        "ul{display:flex;gap:1rem;list-style:none}")
      add_file("/robots.txt", "text/plain", File.read(File.join(HERE, "content/robots.txt")))
      add_file("/images/IMG_2041.svg", "image/svg+xml", Drawing.quay(padding: 210_000))
      add_file("/images/quay-at-night.svg", "image/svg+xml", Drawing.quay(padding: 180_000))
      add_file("/assets/private/menu.js", "text/javascript", "document.documentElement.classList.add('menu')")
      add_file("/press/facts.pdf", "application/pdf", File.binread(File.join(HERE, "content/facts.pdf")))
      lamps, read = listed(WWW).partition { |url| url.include?("/lamps/") }
      add_file(
        "/sitemap.xml",
        "application/xml",
        SitemapFile.index(%w[/sitemap-lamps.xml /sitemap-read.xml].map { |path| "http://#{WWW}#{path}" })
      )
      add_file("/sitemap-lamps.xml", "application/xml", SitemapFile.urlset(lamps))
      add_file(
        "/sitemap-read.xml",
        "application/xml",
        SitemapFile.urlset(read + @faults["sitemap_extra"].map { |path| "http://#{WWW}#{path}" })
      )
      add_file("/style.css", "text/css", "body{font:18px/1.6 serif}", host: DANISH)
      add_file("/robots.txt", "text/plain", "User-agent: *\nDisallow:\nSitemap: " \
        "http://#{DANISH}/sitemap.xml\n", host: DANISH)
      add_file("/sitemap.xml", "application/xml", SitemapFile.urlset(listed(DANISH)), host: DANISH)
    end

    def listed(host) = @pages[host].values.select { |page| page.listed && page.status == 200 }.map(&:url)

    # What a few words say is filled up.
    def blurb(text)
      text = "#{text} Made, lit and tried by hand at Skerry Lamp Works on the inner quay." if text.length < 70
      (text.length > 155) ? "#{text[0, 150].sub(/[\s,;:—-]+\S*\z/, "")} …" : text
    end

    def wrong_links(path)
      @faults["links"].fetch(path, []).map do |link|
        rel = " rel=\"#{link["rel"]}\"" if link["rel"]
        "<p>See also <a href=\"#{link["href"]}\"#{rel}>#{escape(link["text"])}</a>.</p>"
      end.join
    end

    def excerpt(item) = item["paragraphs"].first[/\A[^.]+\./]

    def maker(slug) = @people["makers"].find { |one| one["slug"] == slug }
  end
end
