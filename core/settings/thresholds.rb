# frozen_string_literal: true

module IronTrellis
  module Core
    module Settings
      # The limits that rules judge by; the defaults are those of the trade that the rules name.
      class Thresholds
        FIELDS =
          [
            Fields::Number.new("title_long", 60, 10..1000, "The longest title in characters"),
            Fields::Number.new("title_short", 30, 0..1000, "The shortest title in characters"),
            Fields::Number.new("description_long", 155, 10..5000, "The longest description in characters"),
            Fields::Number.new("description_short", 70, 0..5000, "The shortest description in characters"),
            Fields::Number.new("title_px", 600, 100..5000, "Where result pages cut a title, in pixels"),
            Fields::Number.new("description_px", 920, 100..5000, "Where result pages cut a description, in pixels"),
            Fields::Number.new("h1_long", 70, 10..1000, "The longest H1 in characters"),
            Fields::Number.new("word_floor", 50, 0..100_000, "The fewest words of a page that is distinct"),
            Fields::Number.new("thin_words", 120, 0..100_000, "The fewest words of main text of a page with enough"),
            Fields::Number.new("little_unique_share", 0.25, 0.0..1.0, "The least share of unique text"),
            Fields::Number.new("important", 70, 0..100, "The importance from which a page counts as important"),
            Fields::Number.new("few_links", 3, 0..100_000, "The fewest pages that link to an important one"),
            Fields::Number.new("deep", 4, 0..1000, "The most clicks to an important page"),
            Fields::Number.new("many_links", 300, 1..100_000, "The most links of a page"),
            Fields::Number.new("many_to_one", 20, 1..1_000_000, "The most redirects to one target"),
            Fields::Number.new("slow_ms", 2500, 1..600_000, "The longest answer in milliseconds"),
            Fields::Number.new("heavy_bytes", 2_000_000, 1000..500_000_000, "The largest page in bytes"),
            Fields::Number.new("heavy_image", 200_000, 1000..500_000_000, "The largest image in bytes"),
            Fields::Number.new("waiting_days", 14, 1..1000, "The fewest days a page waits to be fetched by the index"),
            Fields::Number.new("near_win_first", 8.0, 1.0..1000.0, "The best position of a near win"),
            Fields::Number.new("near_win_last", 20.0, 1.0..1000.0, "The last position of a near win"),
            Fields::Number.new(
              "query_impressions",
              50,
              1..1_000_000_000,
              "The fewest impressions of a query that counts"
            ),
            Fields::Number.new("bloat_share", 0.2, 0.0..1.0, "The largest share of useless pages in the index"),
            Fields::Number.new("bloat_pages", 10, 1..1_000_000_000, "The fewest useless pages that are bloat"),
            Fields::Number.new("hide_days", 14, 1..1000, "The days before its end in which a hide is running out")
          ].to_h { |field| [field.name, field] }.freeze

        FIELDS.each_key { |name| define_method(name) { @values[name] } }

        # @return [Thresholds]
        def self.default = @default ||= new({})

        # @param given [Hash{String => Numeric}] those that differ from the defaults
        # @param base [Thresholds, nil] whose values stand for those not given
        # @raise [Problems] with every problem found
        def initialize(given, base: nil)
          problems =
            (given.keys - FIELDS.keys).map { |name| {field: name, message: "There is no limit called “#{name}”."} }
          problems += Problems.of(FIELDS, given)
          raise Problems.new(problems) if problems.any?

          rest = base ? base.to_h : FIELDS.transform_values(&:default)
          @values = rest.merge(given.to_h { |name, value| [name, FIELDS[name].clean(value)] }).freeze
        end

        # @return [Hash{String => Numeric}]
        def to_h = @values
      end
    end
  end
end
