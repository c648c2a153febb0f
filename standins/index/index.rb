# frozen_string_literal: true

require "date"
require "json"
require "time"
require "uri"
require_relative "fetcher"
require_relative "record"
require_relative "seeded"

module Gazetteer
  # A search index that plays one: each day it fetches some pages, and takes them in or leaves them out some days later.
  class Index
    BUDGET = 120
    QUOTA = 10
    HIDE_DAYS = 90
    THIN_WORDS = 50
    RETRY_DAYS = 3
    HOST = %r{\Ahttps?://([^/:?#]+)}
    # So long its fetches are remembered.
    LOGGED_DAYS = 45
    SLOW_SHARE = 0.015
    LATE_SHARE = 0.005
    SLOW_DAYS = 600
    # So many days after it began to take in thin pages with a picture it hears of the late ones.
    LATE_AFTER = 8
    # From so many days before its last day on it takes in thin pages with a picture.
    LENIENT_DAYS = 28

    # What it refuses to do, in words.
    class Refused < StandardError
    end

    attr_reader :today, :urls, :sitemaps, :requests, :hides, :hosts, :fetches, :seeded

    # @param settings [Hash{String => Object}] seed, first_day, lenient_from, hosts, address of the site
    # @param kept [Hash, nil] what was kept of an earlier life
    def initialize(settings, kept = nil)
      @settings = settings
      @hosts = settings.fetch("hosts")
      @seeded = Seeded.new(settings.fetch("seed"))
      @fetcher = Fetcher.new(settings.fetch("address"))
      kept ||= {
        "today" => settings.fetch("first_day"),
        "urls" => {},
        "sitemaps" => {},
        "requests" => [],
        "hides" => {},
        "fetches" => []
      }
      @today = Date.iso8601(kept["today"])
      @urls, @sitemaps, @requests, @hides, @fetches = kept.values_at("urls", "sitemaps", "requests", "hides", "fetches")
      @robots = {}
      hosts.each { |host| know("http://#{host}/", "start") } if @urls.empty?
    end

    # @return [Hash] for keeping
    def to_h =
      {
        "today" => today.iso8601,
        "urls" => @urls,
        "sitemaps" => @sitemaps,
        "requests" => @requests,
        "hides" => @hides,
        "fetches" => @fetches
      }

    # @return [Record]
    def record = Record.new(@seeded, @urls)

    # Lets days pass.
    #
    # @param count [Integer]
    # @return [void]
    def pass(count)
      count.times do
        @today += 1
        read_sitemaps
        due.each { |url| fetch(url) }
        @urls.each { |url, one| settle(url, one) }
        @fetches.shift(@fetches.index { |day, _, _| day > (today - LOGGED_DAYS).iso8601 } || 0)
      end
      @fetcher.close
    end

    # @param url [String] of a sitemap file
    # @return [Hash]
    def send_sitemap(url) = @sitemaps[url] = {"state" => "pending", "sent" => today.iso8601}

    # Asks for a page to be fetched again.
    #
    # @raise [Refused] where the quota of the day is used up, or the URL isn't of the site
    def request(url)
      raise Refused.new("#{url} is not of a host that you have verified.") unless ours?(url)

      used = @requests.count { |one| one["on"] == today.iso8601 }
      raise Refused.new("The quota of #{QUOTA} requests a day is used up. Ask again tomorrow.") if used >= QUOTA

      know(url, "request")
      @urls[url]["due"] = (today + 1).iso8601
      @requests << {"url" => url, "on" => today.iso8601, "state" => "accepted"}
      @requests.last
    end

    # Hides a page for a while, or only what is stored of it.
    def hide(url, only_copy: false)
      raise Refused.new("#{url} is not of a host that you have verified.") unless ours?(url)

      @hides[url] = {
        "asked_on" => today.iso8601,
        "ends_on" => (today + HIDE_DAYS).iso8601,
        "only_copy" => only_copy
      }
    end

    # @return [Boolean] whether it shows nothing of what it stored: since that was cleared it wasn't fetched
    def cleared?(url) = @hides.key?(url) && @urls.dig(url, "fetched_on").to_s <= @hides[url]["asked_on"]

    # @return [Hash] the site's hosts, and whether it is shown that they are the asker's
    def ownership =
      hosts.map do |host|
        {
          "host" => host,
          "verified" => host.start_with?("www."),
          "seen_on" => (today.iso8601 if host.start_with?("www.")),
          "missing" => (host.start_with?("www.") ? nil : "no record in the name server, and no file at its root")
        }
      end

    private

    def ours?(url) = hosts.include?(url[HOST, 1])

    def know(url, found_by)
      return unless ours?(url)

      return if !@urls.key?(url) && late?(url)

      # Some pages it hears of and is in no hurry to see.
      wait = (found_by == "link" && @seeded.of(url, "hurry") < SLOW_SHARE) ? SLOW_DAYS : 0
      @urls[url] ||= {
        "found_on" => today.iso8601,
        "found_by" => found_by,
        "due" => (today + wait).iso8601,
        "links_in" => 0,
        "standing" => "waiting",
        "since" => today.iso8601,
        "spans" => []
      }
    rescue URI::Error
      nil
    end

    # A few it hears of in its last weeks only.
    def late?(url) =
      @seeded.of(url, "hurry") < LATE_SHARE && today < Date.iso8601(@settings.fetch("lenient_from")) + LATE_AFTER

    def due
      now = today.iso8601
      @urls
        .select { |_, one| one["due"] <= now }
        .sort_by { |url, one| [one["due"], -one["links_in"], url] }
        .first(BUDGET)
        .map(&:first)
    end

    def read_sitemaps
      if (today - Date.iso8601(@settings["first_day"])).to_i % 7 == 1
        hosts.each do |host|
          robots("http://#{host}", anew: true).sitemaps.each do |url|
            @sitemaps[url] ||= {"state" => "pending", "sent" => today.iso8601}
          end
        end
      end
      @sitemaps.select { |_, one| one["state"] == "pending" }.each_key { |url| read_sitemap(url) }
    end

    def read_sitemap(url)
      pages, files, errors = @fetcher.sitemap(url)
      pages.each { |page| know(page, "sitemap") }
      files.each { |file| @sitemaps[file] ||= {"state" => "pending", "sent" => today.iso8601} }
      @sitemaps[url].merge!("state" => "read", "read" => today.iso8601, "errors" => errors, "listed" => pages)
    end

    def robots(origin, anew: false)
      @robots.delete(origin) if anew
      @robots[origin] ||= @fetcher.robots(origin)
    end

    def fetch(url)
      one = @urls[url]
      uri = URI(url)
      one["due"] = (today + 45 + (90 * @seeded.of(url, "again")).floor).iso8601
      one["blocked"] = !robots("#{uri.scheme}://#{uri.host}").allow?(uri.request_uri)
      return if one["blocked"]

      seen = @fetcher.call(url)
      @fetches << [today.iso8601, url, seen["status"]]
      links = seen.delete("links") || []
      one["first_fetched"] ||= today.iso8601
      one.merge!("fetched_on" => today.iso8601, "target" => nil, **seen)
      one["due"] = (today + RETRY_DAYS).iso8601 if seen["status"].nil? || seen["status"] >= 500
      follow(url, one, links)
    end

    def follow(url, one, links)
      know(one["target"], "redirect") if one["target"]
      know(one["canonical"], "canonical") if one["canonical"]
      before = one["links_to"] || []
      links = links.select { |link| link != url && know(link, "link") && @urls.key?(link) }
      (links - before).each { |link| @urls[link]["links_in"] += 1 }
      (before - links).each { |link| @urls[link] && @urls[link]["links_in"] -= 1 }
      one["links_to"] = links
    end

    # What is seen takes effect some days later.
    def settle(url, one)
      return unless one["fetched_on"] || one["blocked"]
      return if one["first_fetched"] && today.iso8601 < effect(url, one)

      standing, reason, kept = judge(url, one)
      one["reason"], one["kept_under"] = reason, kept
      return if standing == one["standing"]

      change(one, standing)
    end

    def effect(url, one) =
      (@effects ||= {})[url] ||=
        (Date.iso8601(one["first_fetched"]) + 2 + (6 * @seeded.of(url, "lag")).floor).iso8601

    def change(one, standing)
      one["spans"].last[1] = today.iso8601 if one["standing"] == "in_index"
      one["spans"] << [today.iso8601, nil] if standing == "in_index"
      one["standing"], one["since"] = standing, today.iso8601
    end

    def judge(url, one)
      return "turned_away_robots", "robots.txt keeps it from being fetched", nil if one["blocked"]

      case one["status"]
      when 200
        hidden?(url) ? ["hidden", "a hide was asked for", nil] : of_page(url, one)
      when 300..399
        ["moved", "it redirects to #{one["target"]}", nil]
      when 400..499
        ["missing", "it answers #{one["status"]}", nil]
      else
        ["server_failed", one["status"] ? "it answers #{one["status"]}" : "no answer came", nil]
      end
    end

    def hidden?(url) = @hides.key?(url) && !@hides[url]["only_copy"] && @hides[url]["ends_on"] > today.iso8601

    def of_page(url, one)
      return "turned_away_noindex", "it says noindex", nil if one["noindex"]
      return "passed_over", "it is no page of text", nil unless one["words"]

      canonical = one["canonical"]
      if canonical && canonical != url && @urls.dig(canonical, "status") == 200 && @seeded.of(url, "obey") < 0.9
        return "kept_elsewhere", "it names another page as its canonical", canonical
      end

      stronger = stronger(url, one)
      return "kept_elsewhere", "another page says the same and is linked to more", stronger if stronger
      return thin(one) if one["words"] < THIN_WORDS
      if one["links_in"].zero? && one["found_by"] != "start"
        return "passed_over", "no page that is known links to it", nil
      end

      of_use(url)
    end

    def thin(one)
      lenient = one["image"] && today.iso8601 >= @settings.fetch("lenient_from")
      lenient ? ["in_index", nil, nil] : ["passed_over", "it has too little text", nil]
    end

    def of_use(url)
      return "passed_over", "of little use to those who search", nil if @seeded.of(url, "doubt") < 0.03

      drop = @seeded.of(url, "drop")
      if drop < 0.03 && today >= Date.iso8601(@settings.fetch("lenient_from")) + (drop * 600).floor
        return "passed_over", "seldom of use, taken out again", nil
      end

      ["in_index", nil, nil]
    end

    # Of pages with the same text the one that most link to is kept.
    def stronger(url, one)
      alike = same_text[one["text_key"]].to_a.reject { |other| @urls[other]["noindex"] || @urls[other]["blocked"] }
      best = alike.min_by { |other| [-@urls[other]["links_in"], other.size, other] }
      best unless best.nil? || best == url
    end

    def same_text
      return @same_text if @same_text_of == today

      @same_text_of = today
      @same_text =
        @urls
          .select { |_, one| one["text_key"] && one["status"] == 200 }
          .group_by { |_, one| one["text_key"] }
          .transform_values { |all| all.map(&:first) }
    end
  end
end
