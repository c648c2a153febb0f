# frozen_string_literal: true

require "cgi"

# A site of any size, made up as it is asked for: no page is kept, each is worked out anew from its number, the same
# every time.
module PlainSite
  # The Rack application. Pages are /s3/p17.html: a section for every hundred pages, with links that reach all others.
  class Application
    WORDS = %w[
      lamp
      harbour
      brass
      copper
      light
      sea
      keeper
      wick
      glass
      lens
      signal
      tide
      mast
      anchor
      beacon
      storm
      oil
      flame
      reef
      chart
      pilot
      quay
      rope
      sail
      wind
      salt
      granite
      mole
      skerry
      bronze
      gimbal
      burner
      ferry
      channel
      boat
      bell
      fog
      horn
      lantern
      pier
    ].freeze
    PAGE = %r{\A/s(\d+)/p(\d+)\.html\z}
    SECTION = 100
    HTML = {"content-type" => "text/html; charset=utf-8"}.freeze
    ENTRIES = 10_000

    # @param pages [Integer]
    # @param links [Integer] on each page
    # @param words [Integer] of text for each link
    def initialize(pages:, links: 62, words: 36)
      @pages = pages
      @links = links
      @words = words
    end

    # @param env [Hash] Rack environment
    # @return [Array] Rack response
    def call(env)
      path = env["PATH_INFO"]
      status, headers, body = respond(path, env)
      [status, headers.merge("content-length" => body.bytesize.to_s), (env["REQUEST_METHOD"] == "HEAD") ? [] : [body]]
    end

    private

    def respond(path, env)
      case path
      when "/" then [200, HTML, page(0)]
      when "/robots.txt" then [200, {"content-type" => "text/plain"}, "User-agent: *\nDisallow:\n"]
      when "/sitemap.xml" then [200, {"content-type" => "application/xml"}, index(origin(env))]
      when %r{\A/sitemap-(\d+)\.xml\z} then [200, {"content-type" => "application/xml"}, sitemap(origin(env), $1.to_i)]
      else numbered(path)
      end
    end

    def numbered(path)
      number = path[PAGE, 2]&.to_i
      if number && number < @pages && path == address(number)
        [200, HTML, page(number)]
      else
        [404, HTML, "<title>Not here</title><h1>Not here</h1>"]
      end
    end

    def address(number) = "/s#{number / SECTION}/p#{number}.html"

    # The first link leads to the next page and the second to one far off, so that every page is reached within a few
    # clicks.
    def targets(number)
      far = Array.new(@links - 2) { |link| (number * 31 + link * link * 17 + link * 7 + 5) % @pages }
      [(number + 1) % @pages, (number * 2 + 1) % @pages, *far]
    end

    def page(number)
      random = Random.new(number)
      paragraphs =
        targets(number).map do |target|
          "<p>#{text(random, @words)} <a href=\"#{address(target)}\">#{text(random, 2)} #{target}</a> " \
          "#{text(random, 4)}.</p>"
        end
      nav, main = paragraphs.partition.with_index { |_, index| index < 6 }
      "<!doctype html><html lang=\"en\"><head><title>Page #{number}: #{text(random, 4)}</title><meta " \
        "name=\"description\" content=\"#{text(random, 12)}\">" \
        "<link rel=\"canonical\" href=\"#{address(number)}\"></head><body><nav>#{nav.join}</nav><main><h1>Page " \
        "#{number}</h1>#{main.join("\n")}</main></body></html>\n"
    end

    def text(random, count) = Array.new(count) { WORDS[random.rand(WORDS.size)] }.join(" ")

    def origin(env) = "#{env["rack.url_scheme"]}://#{env["HTTP_HOST"]}"

    def index(origin)
      files =
        Array.new((@pages.to_f / ENTRIES).ceil) do |number|
          "<sitemap><loc>#{origin}/sitemap-#{number}.xml</loc></sitemap>"
        end
      "<?xml version=\"1.0\"?><sitemapindex " \
      "xmlns=\"http://www.sitemaps.org/schemas/sitemap/0.9\">#{files.join}</sitemapindex>"
    end

    def sitemap(origin, file)
      numbers = (file * ENTRIES)...[(file + 1) * ENTRIES, @pages].min
      "<?xml version=\"1.0\"?><urlset " \
        "xmlns=\"http://www.sitemaps.org/schemas/sitemap/0.9\">" \
        "#{numbers.map { |number| "<url><loc>#{origin}#{address(number)}</loc></url>" }.join}</urlset>"
    end
  end
end
