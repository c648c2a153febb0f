# frozen_string_literal: true

require "csv"
require "date"
require "time"
require_relative "fetcher"

module Gazetteer
  # Files as people bring them: a sample of what was left out, links from other sites, goals, and the site's log of this
  # index's fetches.
  class Exports
    TYPES = {
      "left-out.csv" => "text/csv",
      "links.csv" => "text/csv",
      "goals.csv" => "text/csv",
      "access.log" => "text/plain"
    }.freeze
    # What the states are called by people who look at them on a screen.
    WORDS = {
      "passed_over" => "Fetched, not taken in",
      "kept_elsewhere" => "Same as another page",
      "missing" => "Not there",
      "moved" => "Leads elsewhere",
      "waiting" => "Heard of",
      "server_failed" => "Server failed",
      "turned_away_noindex" => "Asked us not to",
      "turned_away_robots" => "Shut by robots.txt"
    }.freeze
    SAMPLE = 60
    # Invented sites that link to the lamps.
    PRESS = %w[
      harbour-notes.example
      tidewatch.example
      brass-and-rope.example
      pilots-almanac.example
      skippers-club.example
    ].freeze
    GOALS = {
      "/thank-you" => "order sent",
      "/account/order-sent" => "order sent",
      "/contact" => "asked a question"
    }.freeze
    LINKED = 0.12

    # @param index [Index]
    def initialize(index)
      @index = index
    end

    # @param name [String] one of TYPES
    # @return [String]
    def call(name)
      case name
      when "left-out.csv"
        left_out
      when "links.csv"
        links
      when "goals.csv"
        goals
      when "access.log"
        log
      end
    end

    private

    def left_out
      rows = @index.urls.select { |_, one| WORDS.key?(one["standing"]) }.first(SAMPLE)
      CSV.generate(col_sep: ";") do |csv|
        csv << ["Page", "What we say", "Why", "Known since", "Last visit", "Kept under"]
        rows.each do |url, one|
          csv << [
            url,
            WORDS[one["standing"]],
            one["reason"],
            written(one["found_on"]),
            written(one["fetched_on"]),
            one["kept_under"]
          ]
        end
      end
    end

    def written(day) = day && Date.iso8601(day).strftime("%d.%m.%Y")

    def links
      CSV.generate do |csv|
        csv << %w[source target anchor seen]
        @index.urls.each do |url, one|
          PRESS.each do |host|
            next if @index.seeded.share(url, host) > LINKED * ((one["status"] == 404) ? 3 : 1) || one["status"].nil?

            csv << [
              "http://#{host}/#{one["found_on"][0, 7]}/#{(@index.seeded.share(host, url) * 900).floor}",
              url,
              one["title"].to_s.split(/ [-|·] /).first || "the lamp",
              one["found_on"]
            ]
          end
        end
      end
    end

    def goals
      CSV.generate do |csv|
        csv << %w[url goal count]
        @index.hosts.each do |host|
          GOALS.each do |path, goal|
            @index.urls.key?("http://#{host}#{path}") &&
              csv << ["http://#{host}#{path}", goal, (@index.seeded.share(path, goal) * 200).floor]
          end
        end
      end
    end

    def log
      @index
        .fetches
        .map do |day, url, status|
          second = (@index.seeded.share(day, url) * 86_400).floor
          time = (Time.utc(*day.split("-").map(&:to_i)) + second).strftime("%d/%b/%Y:%H:%M:%S +0000")
          request = %("GET #{url} HTTP/1.1" #{status || 500} #{second})
          %(192.0.2.#{10 + (second % 20)} - - [#{time}] #{request} "-" "#{Fetcher::AGENT}"\n)
        end
        .join
    end
  end
end
