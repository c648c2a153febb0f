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
          "links_template" => 2,
          "link" => 0.05,
          "languages_template" => 3,
          "set" => 0.25,
          "sitemaps" => 2,
          "content_template" => 2,
          "further_rule" => 0.5,
          "title" => 0.1,
          "description" => 0.1,
          "h1" => 0.1,
          "image" => 0.05,
          "text" => 1.5,
          "data" => 0.1,
          "request" => 0.05,
          "decide" => 0.1
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
        # @param undecided [#call] whether nobody knows yet what becomes of a missing URL
        def initialize(hours = {}, sets: {}, undecided: ->(_url) { false })
          @hours = DEFAULTS.merge(hours)
          @undecided = undecided
          @sets = sets
        end

        # @param draft [Draft]
        # @return [Float]
        def of(draft) = (template(draft) || own(draft)).to_f.round(DIGITS)

        private

        # Done once for all pages, the first rule takes longest.
        def template(draft)
          return @hours["decide"] * draft.groups.size if draft.cause == Roles::DECIDE
          return unless draft.template

          first = @hours["#{draft.kind}_template"] or return
          return first if draft.kind == "languages"

          first + @hours["further_rule"] * ([rules(draft), 1].max - 1)
        end

        def rules(draft) = draft.entries.reject { |entry| entry.grade.zero? }.map(&:code).uniq.size

        def own(draft)
          case draft.kind
          when "directives", "canonicals"
            @hours["#{draft.kind}_page"] * draft.urls.size
          when "redirects"
            @hours["redirects"] + @hours["redirect"] * ruled(draft)
          when "links"
            @hours["link"] * draft.entries.size
          when "languages"
            @hours["set"] * draft.urls.map { |url| @sets[url] || url }.uniq.size
          when "content"
            written(draft)
          when "request"
            @hours["request"] * draft.urls.size
          else
            @hours.fetch(draft.kind)
          end
        end

        # What links to something that is gone for good asks for no rule, nor does what nobody knows yet where to lead.
        def ruled(draft) =
          draft
            .entries
            .reject { |entry| entry.code == "gone-linked" || @undecided.call(entry.url) }
            .filter_map(&:url)
            .uniq
            .size

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
