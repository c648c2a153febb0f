# frozen_string_literal: true

module IronTrellis
  module Core
    module Languages
      # The whole set of one cluster, as every one of its pages must carry it (HTML standard, link type alternate; RFC
      # 8288; sitemaps with xhtml:link).
      class CompleteSet
        # @param pages [Hash{String => String}] URL by code, x-default among them or not
        # @param main [String, nil] the language of the site's start page, which is for everybody else where no
        #   x-default is given; without one of them there is none
        # @raise [Error::InvalidInput] where a code or an address can't be used
        def initialize(pages, main: nil)
          @pages = pages.reject { |code, _| code.casecmp?(Matrix::DEFAULT) }.sort.to_h
          bad = @pages.keys.reject { |code| Tag.read(code).usable? }
          if bad.any?
            raise Error::InvalidInput.new(
                    "#{bad.join(", ")} can't be used as a code. Write a language, and a region if one is meant: en-GB."
                  )
          end

          relative = pages.values.find { |url| !Url::NormalForm.parse?(url) }
          if relative
            raise Error::InvalidInput.new("“#{relative}” is no whole address: hreflang needs http:// or https://.")
          end

          @default = pages.find { |code, _| code.casecmp?(Matrix::DEFAULT) }&.last || page_in(main)
        end

        # @return [Hash{String => String}] in order, x-default last
        def to_h = @pages.merge({Matrix::DEFAULT => @default}.compact)

        # In that language as it is written, else in any region of it.
        def page_in(language)
          return if language.nil?

          found = @pages.find { |code, _| code.casecmp?(language) }
          found ||= @pages.find { |code, _| code[/\A[^-]+/].casecmp?(language[/\A[^-_]+/]) }
          found&.last
        end
        private :page_in

        # @param pages [Hash{String => String}] URL by code
        # @return [Array<String>] lines for the head
        def self.head_lines(pages) =
          pages.map { |code, url| %(<link rel="alternate" hreflang="#{code}" href="#{Sitemaps::Xml.escape(url)}">) }

        # @param pages [Hash{String => String}] URL by code
        # @return [String] the value of a Link header
        def self.header(pages) = pages.map { |code, url| %(<#{url}>; rel="alternate"; hreflang="#{code}") }.join(", ")

        # @return [Array<String>] lines for the head
        def head_lines = self.class.head_lines(to_h)

        # @return [String] the value of a Link header
        def header = self.class.header(to_h)

        # @return [String] what stands in a sitemap, an entry for each page
        def sitemap_entries = @pages.values.uniq.map { |url| sitemap_entry(url) }.join

        # @param url [String] of one of its pages
        # @return [String] its entry
        def sitemap_entry(url) =
          Sitemaps::Xml.entry(
            Sitemaps::Listing.new(url: url, alternates: to_h.map { |code, target| {code: code, url: target} })
          )
      end
    end
  end
end
