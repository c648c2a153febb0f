# frozen_string_literal: true

require_relative "hosts"
require_relative "page"
require_relative "drawing"
require_relative "frame"
require_relative "sitemap_file"
require_relative "catalogue"
require_relative "annex"
require_relative "rivals"
require_relative "chapters"
require_relative "maintenance"

module SkerrySite
  # The Rack application: serves the hosts of Skerry Lamp Works from memory.
  class Application
    # Hosts that only send people elsewhere.
    MOVED = {
      "skerrylamps.example" => [301, "http://www.skerrylamps.example"],
      "old.skerrylamps.example" => [302, "http://skerrylamps.example"]
    }.freeze
    # Hosts that answer like others, instead of sending there.
    ALSO = {"skerrylamper.example" => Catalogue::DANISH}.freeze
    HTML = "text/html; charset=utf-8"
    DANISH_MISSING =
      "<h1>Her hænger der ikke noget</h1><p>Siden, du leder efter, findes ikke længere, eller også har den aldrig " \
      "været der. Gå ned ad kajen og prøv igen, " \
        "eller begynd forfra ved <a href=\"/\">alle vores lamper</a>. Hvis du fulgte et link fra et gammelt katalog, " \
        "så skriv til os, og vi finder lampen til dig.</p>"

    # @param chapters [Boolean] (see Catalogue#initialize)
    # @param changes [String, nil] file in which changes of the site are kept
    def initialize(chapters: true, changes: nil)
      @annex = Annex.new
      @frame = Frame.new
      @maintenance = Maintenance.new(changes) { made_pages(chapters) }
    end

    # @param env [Hash] Rack environment
    # @return [Array] Rack response
    def call(env)
      host = env["HTTP_HOST"].to_s.sub(/:\d+\z/, "").downcase
      return moved(host, env) if MOVED.key?(host)
      return @maintenance.call(env) if host == Maintenance::HOST

      host = ALSO.fetch(host, host)
      page = find(host, env["PATH_INFO"], env["QUERY_STRING"].to_s)
      status, headers, body = page ? answer(page) : missing(host)
      headers["content-length"] = body.bytesize.to_s
      [status, headers, (env["REQUEST_METHOD"] == "HEAD") ? [] : [body]]
    end

    private

    def made_pages(chapters)
      Catalogue
        .new(chapters: chapters)
        .pages
        .tap { |pages| (@annex.pages + Rivals.new.pages).each { |page| pages[page.host][page.path] = page } }
    end

    def find(host, path, query)
      if host == Annex::QUAY && path == "/calendar"
        @annex.calendar(query)
      else
        @maintenance.pages[host]["#{path}?#{query}"] || @maintenance.pages[host][path]
      end
    end

    def moved(host, env)
      status, target = MOVED[host]
      [status, {"location" => "#{target}#{env["PATH_INFO"]}", "content-length" => "0"}, []]
    end

    def answer(page)
      sleep(page.delay) if page.delay
      headers = page.headers.transform_keys(&:downcase)
      headers["location"] = page.location if page.location
      return [page.status, headers.merge("content-type" => page.content_type), page.body] if page.body

      [page.status, headers.merge("content-type" => HTML), page.location ? "" : @frame.call(page)]
    end

    # The Danish shop says that a page isn't there and answers as if it were.
    def missing(host)
      if host == Catalogue::DANISH
        return [
          200,
          {"content-type" => HTML},
          @frame.call(
            Page.new(lang: "da", title: "Siden findes ikke | Skerry Lamp Works", parts: DANISH_MISSING, alternates: [])
          )
        ]
      end

      return [404, {"content-type" => HTML}, "<!doctype html><title>404</title><h1>404</h1>"] if host == Annex::QUAY

      page =
        Page.new(
          lang: "en",
          title: "Not here | Skerry Lamp Works",
          parts: "<h1>Nothing hangs here</h1><p>Perhaps you will find it among <a href=\"/lamps/\">the lamps</a>.</p>",
          alternates: []
        )
      [404, {"content-type" => HTML}, @frame.call(page)]
    end
  end
end
