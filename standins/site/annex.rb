# frozen_string_literal: true

require "zlib"

module SkerrySite
  # Further hosts of the works that nobody keeps in order: the quay's own pages, and the archive. Crawled for
  # themselves, they show what a site as a whole can have wrong.
  class Annex
    QUAY = "quay.skerrylamps.example"
    ARCHIVE = "archive.skerrylamps.example"
    # Read over https only, but not all of it; and one that answers over both.
    LOFT = "loft.skerrylamps.example"
    PIER = "pier.skerrylamps.example"
    # Its robots.txt fails.
    BENCH = "bench.skerrylamps.example"
    # The robots.txt of the quay, with lines that nobody reads.
    QUAY_ROBOTS = "User-agent: *\nDisallow: /nets/\nNoindex: /calendar\nplease come by water\n"
    TIDES = (1..301).map { |number| "<a href=\"http://tides.example/port/#{number}\">#{number}</a>" }.join(" ")
    OLD_NUMBERS = (101..122).map { |number| "<li><a href=\"/shop/p-#{number}\">Order number #{number}</a></li>" }.join
    LOGBOOK = (1..7).map { |number| "<a href=\"/logbook/#{number}\">Leaf #{number}</a>" }.join(" ")
    MANY = 50_001
    TOO_BIG = 52_428_801
    ARCHIVE_FILES = %w[
      sitemap-broken.xml
      sitemap-values.xml
      sitemap-gone.xml
      sitemap-tags.xml
      sitemap-inner.xml
      sitemap-many.xml.gz
    ].freeze

    # @return [String] a packed sitemap with one entry and one byte too many, made once, since packing takes a second
    def self.many
      @many ||= begin
        list = SitemapFile.urlset((1..MANY).map { |number| "http://#{ARCHIVE}/letters/#{number}" })
        blanks = "<!--#{" " * 992}-->\n" * ((TOO_BIG - list.bytesize) / 1000 + 1)
        Zlib.gzip(list.sub("</urlset>", "#{blanks}</urlset>"), level: Zlib::BEST_SPEED)
      end
    end

    # @return [Array<Page>]
    def pages = quay + archive + bench + loft

    # @param query [String]
    # @return [Page] a day of the quay's calendar, which has no end
    def calendar(query)
      day = query[/\Aday=(\d+)\z/, 1].to_i
      text =
        "<h1>Day #{day} on the quay</h1><p>Tide table " \
        "number #{day * 7 % 365}, berth #{day % 9}, #{day * 13 % 29} crates of glass and #{day * 17 % 41} of tallow. " \
        "The keeper on duty has the #{day % 6}th bunk, " \
          "and the boat leaves #{day * 3 % 55} minutes after the bell. Whatever is landed today is entered in " \
          "book #{day / 40 + 1}, on leaf #{day % 40}, and signed for by two people. The harbour master asks that " \
          "lamps be lit by #{day % 50} past four.</p>" \
          "<p><a href=\"/calendar?day=#{day + 1}\">The day after</a> <a href=\"/\">The quay</a></p>"
      page(QUAY, "/calendar", "Day #{day} on the quay", text, canonical: "http://#{QUAY}/calendar?day=#{day}")
    end

    private

    def quay
      [
        page(
          QUAY,
          "/",
          "The quay",
          "<h1>The quay and its boats</h1><p>What lies where, and when it leaves.</p><p>#{LOGBOOK}</p><ul><li><a " \
          "href=\"/calendar?day=1\">The calendar</a></li><li><a href=\"/ports\">All ports</a></li>" \
            "<li><a href=\"/shop/\">What became of the old shop</a></li><li><a href=\"/watch\">The watch</a></li></ul>"
        ),
        page(QUAY, "/ports", "All ports", "<h1>All ports of the coast</h1><p>#{TIDES}</p>"),
        page(
          QUAY,
          "/shop/",
          "The old shop",
          "<h1>The old shop and its order numbers</h1><ul>#{OLD_NUMBERS}<li><a href=\"/shop/p-90\">Order number " \
          "90</a></li></ul>"
        ),
        *(101..122).map { |number| moved("/shop/p-#{number}", "/ports") },
        moved("/shop/p-90", "/watch"),
        page(
          QUAY,
          "/watch",
          "The watch",
          "<h1>Who has the watch</h1><p>Asked of the harbour office each time, and the office takes its time.</p>",
          delay: 2.6
        ),
        file(QUAY, "/robots.txt", "text/plain", QUAY_ROBOTS)
      ]
    end

    def moved(path, target) =
      Page.new(host: QUAY, path: path, status: 301, location: target, headers: {}, alternates: [])

    def archive
      home =
        page(
          ARCHIVE,
          "/",
          "The archive",
          "<h1>The archive of the works</h1><p>Drawings, letters and moulds since 1931. <a " \
          "href=\"/tags/moulds\">Moulds</a> <a href=\"/tags/letters\">Letters</a> <a href=\"/shelf/1\">Shelves</a> " \
          "<a href=\"/breve/\">Breve</a></p>"
        )
      tags =
        %w[moulds letters].map do |tag|
          page(
            ARCHIVE,
            "/tags/#{tag}",
            "Tag: #{tag}",
            "<h1>Tag: #{tag}</h1><p>Everything that has to do with #{tag}.</p>"
          )
        end
      [home, *tags, *(1..5).map { |number| shelf(number) }, *danish_letters, *archive_files]
    end

    # Letters from Denmark, which the archive never told anybody are in Danish.
    def danish_letters
      letters = [
        [
          "/breve/",
          "Breve",
          "Breve fra Danmark",
          "Vi har gemt alle breve fra kunder i Danmark siden 1948. <a href=\"/breve/fyrmesteren\">Fyrmesteren</a> " \
          "skrev de fleste af dem."
        ],
        [
          "/breve/fyrmesteren",
          "Fyrmesteren",
          "Fyrmesteren skriver",
          "Lampen brænder roligt, men væven er kort, og olien lugter af sild. Send en ny væge med næste skib, og tak " \
          "for sidst."
        ]
      ]
      letters.map do |path, title, heading, text|
        page(ARCHIVE, path, title, "<h1>#{heading}</h1><p>#{text} <a href=\"/\">Arkivet</a></p>").tap do |letter|
          letter.lang = "da"
        end
      end
    end

    def shelf(number)
      onward =
        (number < 5) ? "<a href=\"/shelf/#{number + 1}\">The next shelf</a>" : "<a href=\"/\">Back to the door</a>"
      page(
        ARCHIVE,
        "/shelf/#{number}",
        "Shelf #{number}",
        "<h1>Shelf #{number} from the door</h1><p>Boxes #{number * 11} to #{number * 11 + 9}. #{onward}</p>"
      )
    end

    def archive_files
      robots =
        "User-agent: *\nDisallow: /private/\nSitemap: " \
        "http://#{ARCHIVE}/sitemap.xml\n#{"# of the archive's own rules, which nobody remembers\n" * 10_000}"
      [
        file(ARCHIVE, "/robots.txt", "text/plain", robots),
        xml("/sitemap.xml", SitemapFile.index(ARCHIVE_FILES.map { |name| "http://#{ARCHIVE}/#{name}" })),
        xml(
          "/sitemap-broken.xml",
          SitemapFile.urlset(["http://#{ARCHIVE}/tags/moulds"]).sub(
            "</urlset>",
            "<url><loc>http://#{ARCHIVE}/tags/letters</url>"
          )
        ),
        xml("/sitemap-inner.xml", SitemapFile.index([])),
        xml("/sitemap-tags.xml", SitemapFile.urlset(%w[moulds letters].map { |tag| "http://#{ARCHIVE}/tags/#{tag}" })),
        xml("/sitemap-values.xml", values),
        file(ARCHIVE, "/sitemap-many.xml.gz", "application/gzip", self.class.many)
      ]
    end

    def values
      urls = [
        "<loc>http://#{ARCHIVE}/</loc><lastmod>last May</lastmod>",
        "<loc>http://#{ARCHIVE}/</loc><lastmod>2026-05-01</lastmod>",
        "<loc>http://www.skerrylamps.example/</loc><lastmod>2026-05-02</lastmod>",
        "<loc>http://#{ARCHIVE}/tags/moulds</loc><lastmod>2026-05-03</lastmod><priority>7</priority>",
        "<loc>http://#{ARCHIVE}/tags/letters</loc><lastmod>2026-05-04</lastmod><video:video><video:title>Pouring " \
        "day</video:title><video:description>Bronze, from ladle to " \
        "lamp.</video:description><video:content_loc>http://#{ARCHIVE}/pouring.mp4</video:content_loc></video:video>"
      ]
      SitemapFile
        .urlset([])
        .sub("<urlset ", "<urlset xmlns:video=\"http://www.google.com/schemas/sitemap-video/1.1\" ")
        .sub("</urlset>", "#{urls.map { |url| "<url>#{url}</url>" }.join("\n")}\n</urlset>")
    end

    def bench
      [
        page(BENCH, "/", "The bench", "<h1>The bench</h1><p>Where lamps are mended.</p>"),
        Page.new(
          host: BENCH,
          path: "/robots.txt",
          status: 503,
          content_type: "text/plain",
          body: "busy",
          headers: {},
          alternates: []
        )
      ]
    end

    def loft
      [
        page(
          LOFT,
          "/",
          "The loft",
          "<h1>The loft</h1><p><img src=\"http://#{LOFT}/nets.svg\" alt=\"Nets\"> <a href=\"/stairs\">The old " \
          "stairs</a> <a href=\"/door\">The door</a></p>",
          canonical: "https://#{LOFT}/"
        ),
        page(
          LOFT,
          "/door",
          "The door",
          "<h1>The door</h1><p><img src=\"/nets.svg\" alt=\"Nets\"> It is open.</p>",
          canonical: "https://#{LOFT}/door"
        ),
        Page.new(host: LOFT, path: "/stairs", status: 301, location: "http://#{PIER}/", headers: {}, alternates: []),
        file(LOFT, "/nets.svg", "image/svg+xml", Drawing.quay(padding: 0)),
        page(PIER, "/", "The pier", "<h1>The pier</h1><p>The wind has it.</p>")
      ]
    end

    def page(host, path, title, parts, canonical: "http://#{host}#{path}", delay: nil)
      Page.new(
        host: host,
        path: path,
        status: 200,
        lang: "en",
        title: "#{title} | Skerry Lamp Works",
        description: "#{title}: what there is to know of it, kept by whoever is on the quay that day.",
        parts: parts,
        canonical: canonical,
        headers: {},
        alternates: [],
        bare: true,
        delay: delay
      )
    end

    def xml(path, body) = file(ARCHIVE, path, "application/xml", body)

    def file(host, path, content_type, body) =
      Page.new(host: host, path: path, status: 200, content_type: content_type, body: body, headers: {}, alternates: [])
  end
end
