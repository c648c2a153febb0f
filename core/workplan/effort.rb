# frozen_string_literal: true

module IronTrellis
  module Core
    module Workplan
      # How many hours fixes take: what a site doesn't say otherwise of is common practice.
      class Effort
        DEFAULTS = {
          "server" => 4,
          "robots" => 1,
          "directives_template" => 2,
          "directives_page" => 0.25,
          "canonicals_template" => 2,
          "canonicals_page" => 0.25,
          "redirects" => 0.5,
          "redirect" => 0.02,
          "links_template" => 1,
          "link" => 0.05,
          "languages_template" => 3,
          "set" => 0.25,
          "sitemaps" => 2,
          "content_template" => 2,
          "title" => 0.1,
          "description" => 0.1,
          "h1" => 0.1,
          "image" => 0.05,
          "text" => 1.5,
          "data" => 0.1,
          "request" => 0.05
        }.freeze
        # What is written anew of a page is counted as these; all else is its text.
        ELEMENTS = {
          "title" => "title",
          "description" => "description",
          "h1" => "h1",
          "alt" => "image",
          "data" => "data",
          "viewport" => "data",
          "lang" => "data"
        }.freeze
        DIGITS = 2

        # @param hours [Hash{String => Numeric}] what differs from DEFAULTS
        # @param sets [Hash{String => Object}] by URL the set of languages that it belongs to
        def initialize(hours = {}, sets: {})
          @hours = DEFAULTS.merge(hours)
          @sets = sets
        end

        # @param draft [Draft]
        # @return [Float]
        def of(draft)
          hours =
            case draft.kind
            when "directives", "canonicals"
              of_pages(draft)
            when "redirects"
              @hours["redirects"] + @hours["redirect"] * ruled(draft)
            when "links"
              draft.template ? @hours["links_template"] : @hours["link"] * draft.entries.size
            when "languages"
              of_languages(draft)
            when "content"
              draft.template ? @hours["content_template"] : written(draft)
            when "request"
              @hours["request"] * draft.urls.size
            else
              @hours.fetch(draft.kind)
            end
          hours.to_f.round(DIGITS)
        end

        private

        def of_pages(draft) =
          draft.template ? @hours["#{draft.kind}_template"] : @hours["#{draft.kind}_page"] * draft.urls.size

        # What links to something that is gone for good asks for no rule.
        def ruled(draft) = draft.entries.reject { |entry| entry.code == "gone-linked" }.filter_map(&:url).uniq.size

        def of_languages(draft) =
          if draft.template
            @hours["languages_template"]
          else
            @hours["set"] * draft.urls.map { |url| @sets[url] || url }.uniq.size
          end

        def written(draft)
          draft
            .entries
            .reject { |entry| entry.grade.zero? }
            .map { |entry| part(entry) }
            .uniq
            .sum { |name, *| @hours[name] }
        end

        # Each part of a page once, an image once a page and image.
        def part(entry)
          name = ELEMENTS.fetch(Kinds.element(entry.code), "text")
          (name == "image") ? [name, entry.url, entry.about] : [name, entry.url]
        end
      end
    end
  end
end
