# frozen_string_literal: true

module IronTrellis
  module Core
    module Desk
      # What somebody wants a page to say instead: its `title`, `description`, `headings` (texts in the order of the
      # page's), `alts` (by address of the image), `text` (a block a line) and `data` (JSON-LD to be added). What isn't
      # there stays as it is.
      class Draft
        FIELDS = %w[title description headings alts text data].freeze
        MOST = 200_000
        MOST_LINE = 1_000

        # @param values [Hash{String => Object}]
        # @return [Hash{String => Object}] those that can be kept
        # @raise [Error::InvalidInput]
        def self.read(values)
          unless fine?(values)
            raise Error::InvalidInput.new("A draft holds title, description, headings, alts, text and data, as texts.")
          end

          values.slice(*FIELDS).compact.to_h { |name, value| [name, plain(name, value)] }
        end

        # As a page that says it is read: white space is folded, so that a space at the end of a title changes nothing.
        def self.plain(name, value)
          case name
          when "headings" then value.map { |line| Content::Folded.of(line) }
          when "alts" then value.transform_values { |line| Content::Folded.of(line) }
          when "text" then value.split("\n", -1).map { |line| Content::Folded.of(line) }.join("\n")
          when "data" then value
          else Content::Folded.of(value)
          end
        end

        def self.fine?(values)
          values.is_a?(Hash) && (values.keys - FIELDS).empty? &&
            %w[title description].all? { |name| values[name].nil? || line?(values[name]) } &&
            (values["headings"] || []).then { |some| some.is_a?(Array) && some.all? { |one| line?(one) } } &&
            (values["alts"] || {}).then { |some| some.is_a?(Hash) && some.flatten.all? { |one| line?(one) } } &&
            %w[text data].all? { |name| values[name].nil? || text?(values[name]) } &&
            (values["data"].nil? || StructuredData::JsonLd.read(values["data"]).last.nil?)
        end

        def self.line?(text) = text.is_a?(String) && text.size <= MOST_LINE

        def self.text?(text) = text.is_a?(String) && text.size <= MOST
        private_class_method :plain, :fine?, :line?, :text?

        # @param values [Hash{String => Object}] as .read gives them
        def initialize(values)
          @values = values
        end

        # @param page [Page]
        # @return [Page] as it would be
        def on(page)
          texts = page.texts.merge(lines_of(page))
          page.dup.tap do |one|
            one.texts = texts
            one.outline = outline(page)
            one.pictures = pictures(page)
            one.words = Content::Words.count(texts["text"].join("\n"))
          end
        end

        # @param page [Page]
        # @return [Array<Array(String, String, String)>] element, before and after of all that it changes; of an alt
        #   text the element is "alt" and `before` begins with the address of the image
        def changes(page)
          after = on(page)
          [
            *simple("title", page.title, after.title),
            *simple("description", page.description, after.description),
            *headings(page, after),
            *alts(page),
            *(@values["data"] ? [["data", "", @values["data"]]] : []),
            *simple("text", page.of("text").join("\n"), @values["text"] && after.of("text").join("\n"))
          ]
        end

        private

        def simple(element, before, after) =
          (after.nil? || after == before) ? [] : [[element, before, after]]

        def headings(page, after)
          page.outline.zip(after.outline).filter_map do |(level, before), (_, now)|
            ["h#{level}", before, now] unless before == now
          end
        end

        def alts(page)
          page.pictures.filter_map do |url, before|
            after = @values.fetch("alts", {})[url]
            ["alt", "#{url} #{before}".strip, after] unless after.nil? || after == before
          end
        end

        def outline(page)
          drafted = @values["headings"] || []
          page.outline.each_with_index.map { |(level, text), place| [level, drafted[place] || text] }
        end

        def pictures(page) = page.pictures.map { |url, alt| [url, @values.fetch("alts", {}).fetch(url, alt)] }

        def lines_of(page)
          outline = outline(page)
          {
            "title" => [@values["title"] || page.title].compact,
            "description" => [@values["description"] || page.description].compact,
            "h1" => outline.select { |level, _| level == 1 }.map(&:last),
            "headings" => outline.map(&:last),
            "alt" => pictures(page).filter_map(&:last).reject(&:empty?),
            "text" => text(page, outline)
          }
        end

        # Headings are lines of the text, too.
        def text(page, outline)
          return @values["text"].split("\n").map(&:strip).reject(&:empty?) if @values["text"]

          changed = page.outline.map(&:last).zip(outline.map(&:last)).reject { |before, now| before == now }
          page.of("text").map do |line|
            place = changed.index { |before, _| before == line }
            place ? changed.delete_at(place).last : line
          end
        end
      end
    end
  end
end
