# frozen_string_literal: true

require "cgi"
require "json"

module SkerrySite
  # Stands for the people who change the site. They are told by HTTP, on a host of their own: which page, and what of it
  # shall be otherwise. What they did is kept in a file, so that it is still done after a restart.
  #
  #   POST /pages {"host": "www.skerrylamps.example", "path": "/about", "set": {"canonical":
  #   "http://www.skerrylamps.example/about"}}
  #
  # `set` takes the fields of Page. A page that isn't there yet is made.
  #
  #   POST /links {"from": "http://www.skerrylamps.example/old", "to": "http://www.skerrylamps.example/new"}
  #
  # leads every link that leads to the one address to the other.
  #
  #   POST /images {"page": "http://www.skerrylamps.example/about", "image":
  #   "http://www.skerrylamps.example/images/quay.svg", "alt": "The quay at night"}
  #
  # has the image described so on that page.
  #
  #   DELETE /pages      forgets all that was done
  class Maintenance
    HOST = "maintenance.skerrylamps.example"
    FIELDS = (Page.members - %i[host path]).map(&:to_s).freeze

    # @return [Hash{String => Hash{String => Page}}] by host and path
    attr_reader :pages

    # @param file [String, nil] where changes are kept
    # @yieldreturn [Hash] the pages as they were made
    def initialize(file, &make_pages)
      @file = file
      @make_pages = make_pages
      @pages = make_pages.call
      File.foreach(file) { |line| change(JSON.parse(line)) } if file && File.exist?(file)
    end

    # @param env [Hash] Rack environment
    # @return [Array] Rack response
    def call(env)
      case [env["REQUEST_METHOD"], env["PATH_INFO"]]
      when ["POST", "/pages"] then obey(JSON.parse(env["rack.input"].read))
      when ["POST", "/links"] then obey(JSON.parse(env["rack.input"].read))
      when ["POST", "/images"] then obey(JSON.parse(env["rack.input"].read))
      when ["DELETE", "/pages"] then forget
      else answer(404, "There is POST /pages, POST /links, POST /images and DELETE /pages.")
      end
    rescue JSON::ParserError, KeyError => error
      answer(422, "That can't be done: #{error.message}")
    end

    private

    def obey(order)
      change(order)
      File.write(@file, "#{JSON.generate(order)}\n", mode: "a") if @file
      answer(200, "Done.")
    end

    def forget
      File.delete(@file) if @file && File.exist?(@file)
      @pages = @make_pages.call
      answer(200, "All is as it was.")
    end

    def change(order)
      if order.key?("from") then repoint(order.fetch("from"), order.fetch("to"))
      elsif order.key?("image") then describe(*order.values_at("page", "image", "alt"))
      else
        change_page(order)
      end
    end

    # Written in whole or as a path, as images of the site are; whatever its alt text was.
    def describe(url, image, alt)
      host, path = url.match(%r{\Ahttps?://([^/]+)(/.*)\z}).captures
      page = @pages[host].fetch(path)
      forms = [image, image.sub(%r{\Ahttps?://[^/]+}, "")].map { |form| Regexp.escape(CGI.escapeHTML(form)) }
      sign = /<img\b[^>]*\bsrc="(?:#{forms.join("|")})"[^>]*>/
      %i[parts tail].each do |part|
        page[part] = page[part]&.gsub(sign) do |tag|
          tag.sub(/\s+alt="[^"]*"/, "").sub("<img", %(<img alt="#{CGI.escapeHTML(alt)}"))
        end
      end
    end

    # Written in whole or as a path, as links of the site are.
    def repoint(from, to)
      host = from[%r{\Ahttps?://([^/]+)}, 1]
      @pages.each do |of, pages|
        forms =
          [from, (from.sub(%r{\Ahttps?://[^/]+}, "") if of == host)].compact.map do |form|
            "href=\"#{CGI.escapeHTML(form)}\""
          end
        pages.each_value do |page|
          forms.each { |form| page.parts = page.parts.gsub(form, "href=\"#{CGI.escapeHTML(to)}\"") if page.parts }
        end
      end
    end

    def change_page(order)
      host, path, set = %w[host path set].map { |name| order.fetch(name) }
      unknown = set.keys - FIELDS
      raise KeyError, "a page has no #{unknown.join(", ")}" if unknown.any?

      page =
        @pages[host][path] ||= Page.new(
          host: host,
          path: path,
          status: 200,
          lang: "en",
          headers: {},
          alternates: [],
          listed: false,
          title: "Skerry Lamp Works",
          parts: "",
          canonical: "http://#{host}#{path}"
        )
      set.each { |field, value| page[field] = value }
      retitle(page, set["heading"]) if set["heading"] && page.parts
    end

    # The first heading is a part of what is seen.
    def retitle(page, heading)
      page.parts = page.parts.sub(%r{<h1>.*?</h1>}m, "<h1>#{CGI.escapeHTML(heading)}</h1>")
    end

    def answer(status, text) =
      [status, {"content-type" => "text/plain", "content-length" => text.bytesize.to_s}, [text]]
  end
end
