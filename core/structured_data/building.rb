# frozen_string_literal: true

require "json"

module IronTrellis
  module Core
    module StructuredData
      # Writes structured data for a page from what the page and its site say themselves; what isn't said is left out
      # and named.
      class Building
        # What a page says: `url`, `title`, `h1`, `description`, `pictures` (addresses), `questions` (question and
        # answer of each), `trail` (name and address of each page above it, the outermost first, itself last),
        # `business` (name, telephone, address; nil where none is known), `published` and `modified` (dates).
        Facts =
          Struct.new(
            :url,
            :title,
            :h1,
            :description,
            :pictures,
            :questions,
            :trail,
            :business,
            :published,
            :modified,
            keyword_init: true
          )
        CONTEXT = "https://schema.org"
        # What can be built, and what search results need of each to show more than a line (common practice; each is
        # documented by search engines for those who publish).
        KINDS = {
          "Organization" => %w[name url logo telephone address],
          "LocalBusiness" => %w[name url telephone address openingHours],
          "Product" => %w[name image description offers],
          "Article" => %w[headline image datePublished author],
          "FAQPage" => %w[mainEntity],
          "BreadcrumbList" => %w[itemListElement]
        }.freeze
        QUESTION = /\?\s*\z/
        # Behind such a sign titles tell the name of the site.
        SITE_NAME = /\s+[|–—·-]\s+.*\z/

        # @param outline [Array<Array(Integer, String)>]
        # @param lines [Array<String>] of the text
        # @return [Array<Array(String, String)>] headings that ask, each with what stands between it and the next
        def self.questions(outline, lines)
          headings = outline.to_h { |_, text| [text, true] }
          outline.map(&:last).grep(QUESTION).filter_map do |question|
            at = lines.index(question) or next
            answer = lines.drop(at + 1).take_while { |line| !headings.key?(line) }.join("\n")
            [question, answer] unless answer.empty?
          end
        end

        # @param facts [Facts]
        # @param local [String] which kind of local business, such as "Store"
        def initialize(facts, local: "LocalBusiness")
          @facts = facts
          @local = local
        end

        # @param kinds [Array<String>] of KINDS
        # @return [String] JSON-LD, all of them in one graph where they are several
        def json(kinds)
          items = kinds.map { |kind| item(kind) }
          one = (items.size == 1) ? {"@context" => CONTEXT}.merge(items.first) : graph(items)
          JSON.pretty_generate(one)
        end

        # @param kind [String]
        # @return [Array<String>] properties that results need and the page doesn't tell
        def lacking(kind) = KINDS.fetch(kind) - item(kind).keys

        private

        def graph(items) = {"@context" => CONTEXT, "@graph" => items}

        def item(kind)
          told =
            case kind
            when "Organization" then business("Organization")
            when "LocalBusiness" then business(@local)
            when "Product" then {"@type" => "Product", "name" => @facts.h1 || name, **shown}
            when "Article" then article
            when "FAQPage" then {"@type" => "FAQPage", "mainEntity" => questions}
            else {"@type" => "BreadcrumbList", "itemListElement" => trail}
            end
          told.reject { |_, value| value.nil? || value.respond_to?(:empty?) && value.empty? }
        end

        def name = @facts.title.to_s.sub(SITE_NAME, "")

        def shown =
          {"description" => @facts.description, "image" => @facts.pictures, "url" => @facts.url}

        def business(type)
          known = @facts.business || {}
          {
            "@type" => type,
            "name" => known["name"],
            "url" => @facts.url[%r{\Ahttps?://[^/]+/}],
            "telephone" => known["telephone"],
            "address" => known["address"]
          }
        end

        def article
          {
            "@type" => "Article",
            "headline" => @facts.h1 || name,
            **shown,
            "datePublished" => @facts.published,
            "dateModified" => @facts.modified,
            "publisher" => @facts.business && {"@type" => "Organization", "name" => @facts.business["name"]}
          }
        end

        def questions =
          @facts.questions.map do |question, answer|
            {"@type" => "Question", "name" => question, "acceptedAnswer" => {"@type" => "Answer", "text" => answer}}
          end

        def trail =
          @facts.trail.each_with_index.map do |(name, url), place|
            {"@type" => "ListItem", "position" => place + 1, "name" => name, "item" => url}
          end
      end
    end
  end
end
