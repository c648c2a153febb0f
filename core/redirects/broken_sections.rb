# frozen_string_literal: true

require "set"

module IronTrellis
  module Core
    module Redirects
      # Finds parts of a site that are missing as a whole: addresses that links and sitemaps name, that share a shape,
      # and of whose shape hardly anything answers. Somebody has to put the part back; rules for each of its addresses
      # would only bury it.
      class BrokenSections
        # `shape` is a path, "#" for any number and "*" for anything; `urls` are those that are missing.
        Section = Struct.new(:shape, :urls, keyword_init: true) do
          # @return [String] the first of them in byte order
          def first_url = urls.min
        end

        LEAST = 5
        # Where so many of them are found under another address, they have moved.
        MOVED = 0.5
        NUMBER = /\d+/

        # @param missing [Array<String>] that answer 4xx though something refers to them
        # @param answering [Enumerable<String>] that answer otherwise; read once, and only where it matters
        # @return [Array<Section>] the largest first
        def self.of(missing, answering) = new(missing, answering).call

        # @param url [String]
        # @param shape [String] of a section on the same host
        # @return [Boolean]
        #   BrokenSections.match?("http://a.test/volumes/12", "/volumes/#") # => true
        def self.match?(url, shape)
          path = split(url).last
          return path.start_with?(shape.delete_suffix("*")) if shape.end_with?("*")

          path.gsub(NUMBER, "#") == shape
        end

        # @param url [String]
        # @return [Array(String, String)] origin, and path with query
        def self.split(url) = url.match(%r{\A(https?://[^/?#]+)(.*)\z}m).captures

        # (see .of)
        def initialize(missing, answering)
          # What was only mistyped in a link was never there.
          @missing = missing.reject { |url| Faults::LikelyCause.meant(url).any? }
          @answering = answering
        end

        # @return [Array<Section>]
        def call
          return [] if @missing.size < LEAST

          look_at_the_rest
          found = sections(@missing) { |url| folder(url) }
          taken = found.flat_map(&:urls).to_set
          found += sections(@missing.reject { |url| taken.include?(url) }) { |url| numbered(url) }
          found.reject { |section| moved?(section) }.sort_by { |section| [-section.urls.size, section.first_url] }
        end

        private

        # Which folders and shapes of missing addresses are alive, and what of them is called the same elsewhere.
        def look_at_the_rest
          folders = @missing.flat_map { |url| folders(url) }.to_set
          shapes = @missing.filter_map { |url| numbered(url) }.to_set
          slugs = @missing.to_set { |url| Naming.slug(url) }.delete("")
          @alive = Hash.new(0)
          @elsewhere = Set.new
          @answering.each do |url|
            folders(url).each { |one| @alive[one] += 1 if folders.include?(one) && one != url }
            (shape = numbered(url)) && shapes.include?(shape) && @alive[shape] += 1
            (slug = Naming.slug(url)) && slugs.include?(slug) && @elsewhere << slug
          end
        end

        def sections(urls)
          urls
            .group_by { |url| yield(url) }
            .filter_map do |shape, some|
              # More of what has the shape must be missing than answers.
              next if shape.nil? || some.size < LEAST || @alive[shape] >= some.size

              Section.new(shape: narrowest(shape, some), urls: some)
            end
        end

        # The topmost folder that nothing answers in but itself, if any.
        def folder(url) = folders(url).find { |one| @alive[one].zero? }

        # Where they differ in numbers alone, that is said.
        def narrowest(shape, urls)
          numbered = urls.map { |url| numbered(url) }.uniq
          path = self.class.split((numbered.size == 1 && numbered.first) || shape).last
          (path.end_with?("/") && numbered.first != shape) ? "#{path}*" : path
        end

        # From the first folder down, with their origin: "http://a.test/x/", "http://a.test/x/y/".
        def folders(url)
          origin, path = self.class.split(url)
          parts = path.sub(/\?.*/m, "").split("/", -1)[1..-2] || []
          parts.each_index.map { |last| "#{origin}/#{parts[0..last].join("/")}/" }
        end

        def numbered(url)
          origin, path = self.class.split(url)
          "#{origin}#{path.gsub(NUMBER, "#")}" if path.match?(NUMBER)
        end

        def moved?(section)
          known = section.urls.count { |url| @elsewhere.include?(Naming.slug(url)) }
          known >= section.urls.size * MOVED
        end
      end
    end
  end
end
