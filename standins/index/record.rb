# frozen_string_literal: true

require "date"
require "time"

module Gazetteer
  # Clicks and impressions of a page by query and day: a model of its place, season, age and position, thrown
  # by the seed.
  class Record
    # What people add to what they search for.
    ADDED = %w[price repair second-hand old how-to].map { |word| word.tr("-", " ") }.freeze
    # What a page is seen by at most, and how steeply that falls from the best pages to the others.
    MOST_VISITS = 70.0
    STEEP = 10
    WEIGHTS = [0.5, 0.3, 0.15, 0.05].freeze
    # What share of those who see a result at a position come.
    FIRST_SHARE = 0.3
    WORD = /[\p{L}\p{N}]+(?:[-'’][\p{L}\p{N}]+)*/
    YEAR = 365.25
    # The share of days on which a page of no fame is shown.
    SELDOM = 0.03
    # What is seen less often on a day isn't told, as with real ones.
    LEAST_TOLD = 2
    # A day has half as much as is usual, or up to so much more.
    MOST_THROWN = 1.5
    # A page gains for so many days.
    RIPE_DAYS = 120.0
    # An heir has so much of what its forerunner had, after some days.
    INHERITED = 0.8
    INHERITED_AFTER = 10

    # @param seeded [Seeded]
    # @param urls [Hash{String => Hash}] of the index
    def initialize(seeded, urls)
      @seeded = seeded
      @urls = urls
    end

    # @param url [String]
    # @param day [Date]
    # @return [Array<Hash>] query, clicks, impressions, position
    def on(url, day)
      one = @urls[url]
      return [] unless one["title"] && in_index?(one, day)

      visits = visits(url, one, day)
      queries = queries(url, one)
      found = queries.each_with_index.filter_map { |query, place| row(url, query, place, visits, day) }
      found.empty? ? now_and_then(url, one, queries.first, day) : found
    end

    # @param one [Hash]
    # @param day [Date]
    # @return [Boolean]
    def in_index?(one, day)
      text = day.iso8601
      one["spans"].any? { |from, to| from <= text && (to.nil? || text < to) }
    end

    private

    def visits(url, one, day)
      home = url.count("/") <= 3
      base = home ? 120.0 : MOST_VISITS * @seeded.of(url, "place")**STEEP
      base *= 0.02 if one["words"].to_i < 50
      (base + inherited(url, day)) * season(url, day) * age(one, day)
    end

    def inherited(url, day)
      (@heirs ||= forerunners)
        .fetch(url, [])
        .sum do |from, since|
          if day - Date.iso8601(since) >= INHERITED_AFTER
            INHERITED * MOST_VISITS * @seeded.of(from, "place")**STEEP
          else
            0
          end
        end
    end

    def forerunners
      @urls
        .select { |_, one| one["standing"] == "moved" && one["target"] && one["spans"].any? }
        .group_by { |_, one| one["target"] }
        .transform_values { |all| all.map { |url, one| [url, one["since"]] } }
    end

    def season(url, day) =
      1 + 0.4 * Math.sin(2 * Math::PI * (day.yday / YEAR + @seeded.of(url.split("/")[3], "season")))

    def age(one, day)
      since = Date.iso8601(one["spans"].first.first)
      0.3 + 0.7 * [(day - since).to_f / RIPE_DAYS, 1].min
    end

    def queries(url, one)
      one["queries"] ||= begin
        words = one["title"].downcase.split(/ [-|·:] /).first.to_s.scan(WORD).first(6)
        added = ADDED[(@seeded.of(url, "added") * ADDED.size).floor]
        [words.first(5), words.first(2), words.last(2), words.first(2) + [added]].map { |some| some.join(" ") }
          .reject(&:empty?)
          .uniq
      end
    end

    # What nearly nobody looks for is still shown on some days, if it is a page of text.
    def now_and_then(url, one, query, day)
      return [] if query.nil? || one["words"].to_i < 50 || @seeded.share(url, day, "now and then") > SELDOM

      position = (15 + 40 * @seeded.of(url, "far")).round(1)
      [{"query" => query, "clicks" => 0, "impressions" => LEAST_TOLD, "position" => position}]
    end

    def row(url, query, place, visits, day)
      usual = visits * WEIGHTS.fetch(place, 0.05)
      return if usual * MOST_THROWN < LEAST_TOLD

      seen, moved, come = @seeded.several(url, query, day)
      impressions = (usual * (0.5 + seen)).floor
      return if impressions < LEAST_TOLD

      stands = 1 + 29 * @seeded.of("#{url} #{query}", "position")**1.5
      position = (stands + 1.5 * (moved - 0.5)).clamp(1, 100).round(1)
      clicks = (impressions * FIRST_SHARE / position**0.9 + come - 0.5).floor.clamp(0, impressions)
      {"query" => query, "clicks" => clicks, "impressions" => impressions, "position" => position}
    end
  end
end
