# frozen_string_literal: true

require "date"
require "fileutils"
require "json"
require "rack"
require "time"
require "uri"
require_relative "exports"
require_relative "index"
require_relative "results"

module Gazetteer
  # The Rack application: JSON over HTTP, described by openapi.yaml. Time moves only by POST /days, and back only by
  # DELETE /days.
  class Application
    PAGE = 5_000
    MOST_DAYS = 600
    WRONG = [KeyError, ArgumentError, TypeError, JSON::ParserError, Date::Error, URI::Error].freeze

    # @param settings [Hash{String => Object}] as of Index
    # @param file [String, nil] where it keeps what it knows
    def initialize(settings, file: nil)
      @file = file
      @settings = @first = settings
      kept = (file && File.exist?(file)) ? JSON.parse(File.read(file)) : nil
      @settings = kept["settings"] if kept
      @index = Index.new(@settings, kept&.fetch("state"))
      @lock = Mutex.new
    end

    # @param env [Hash]
    # @return [Array]
    def call(env)
      request = Rack::Request.new(env)
      @lock.synchronize { answer(request) }
    rescue Index::Refused => error
      json(429, {"error" => error.message})
    rescue *WRONG => error
      json(400, {"error" => error.message})
    end

    private

    def answer(request)
      case [request.request_method, request.path_info]
      in ["GET", "/status"]
        json(200, status)
      in ["POST", "/days"]
        pass(Integer(body(request).fetch("count")))
      in ["DELETE", "/days"]
        begin_anew
      in ["GET", "/standings"]
        page(request, standings)
      in ["GET", "/record/pages"]
        record(request, by_query: false)
      in ["GET", "/record/queries"]
        record(request, by_query: true)
      in ["GET", "/sitemaps"]
        page(request, sitemaps)
      in ["POST", "/sitemaps"]
        kept(201, @index.send_sitemap(body(request).fetch("url")))
      in ["DELETE", "/sitemaps"]
        kept(200, @index.sitemaps.delete(request.params.fetch("url")) || {})
      in ["GET", "/requests"]
        page(request, @index.requests)
      in ["POST", "/requests"]
        kept(201, @index.request(body(request).fetch("url")))
      in ["GET", "/hides"]
        page(request, hides)
      in ["POST", "/hides"]
        asked = body(request)
        kept(201, @index.hide(asked.fetch("url"), only_copy: asked["only_copy"] == true))
      in ["DELETE", "/hides"]
        kept(200, @index.hides.delete(request.params.fetch("url")) || {})
      in ["GET", "/results"]
        json(200, Results.new(@index.urls).call(request.params.fetch("phrase")))
      in ["GET", "/look"]
        look(request.params.fetch("url"))
      in ["GET", "/exports/left-out.csv" | "/exports/links.csv" | "/exports/goals.csv" | "/exports/access.log"]
        export(request.path_info.split("/").last)
      in ["GET", "/ownership"]
        page(request, @index.ownership)
      else
        json(404, {"error" => "There is nothing at #{request.path_info}."})
      end
    end

    def status =
      {
        "name" => "Gazetteer",
        "today" => @index.today.iso8601,
        "quota" => Index::QUOTA,
        "hosts" => @index.hosts,
        "known" => @index.urls.size
      }

    def pass(count)
      raise ArgumentError.new("count must be from 1 to #{MOST_DAYS}") unless (1..MOST_DAYS).cover?(count)

      @index.pass(count)
      kept(200, status)
    end

    # It forgets all.
    def begin_anew
      @settings = @first
      @index = Index.new(@settings)
      kept(200, status)
    end

    def standings
      @index.urls.map do |url, one|
        {
          "url" => url,
          "standing" => one["standing"],
          "reason" => one["reason"],
          "found_by" => one["found_by"],
          "first_seen" => one["found_on"],
          "last_fetched" => one["fetched_on"],
          "chosen_canonical" => one["kept_under"]
        }
      end
    end

    # Whole days, until there are enough for a page; the next one goes on with the day after.
    def record(request, by_query:)
      from, to = request.params.values_at("from", "to").map { |text| Date.iso8601(text.to_s) }
      day = request.params["after"] ? Date.iso8601(request.params["after"]) : from
      last = [to, @index.today - 1].min
      record = @index.record
      rows = []
      while day <= last && rows.size < PAGE
        @index.urls.each_key { |url| add_rows(record.on(url, day), url, day, by_query, rows) }
        day += 1
      end
      json(200, {"date" => last.iso8601, "rows" => rows, "next" => (day.iso8601 if day <= last)})
    end

    def add_rows(found, url, day, by_query, rows)
      return if found.empty?

      date = day.iso8601
      return found.each { |one| rows << {"url" => url, **one, "date" => date} } if by_query

      clicks, impressions = %w[clicks impressions].map { |name| found.sum { |one| one[name] } }
      position = found.sum { |one| one["position"] * one["impressions"] } / impressions
      rows << {
        "url" => url,
        "clicks" => clicks,
        "impressions" => impressions,
        "position" => position.round(1),
        "date" => date
      }
    end

    def sitemaps
      @index.sitemaps.map do |url, one|
        listed = one["listed"] || []
        kept = listed.count { |page| @index.urls.dig(page, "standing") == "in_index" }
        {"url" => url, **one.except("listed"), "listed" => listed.size, "kept" => kept}
      end
    end

    def hides = @index.hides.map { |url, one| {"url" => url, **one} }

    def look(url)
      one = @index.urls[url] or return json(404, {"error" => "#{url} is not known."})
      json(
        200,
        {
          "url" => url,
          **one.slice(
            "standing",
            "reason",
            "since",
            "found_on",
            "found_by",
            "fetched_on",
            "status",
            "headers",
            "target",
            "noindex",
            "canonical",
            "title",
            "words",
            "text",
            "blocked"
          ),
          **(@index.cleared?(url) ? {"text" => nil} : {}),
          "chosen_canonical" => one["kept_under"],
          "agent" => Fetcher::AGENT
        }
      )
    end

    def export(name)
      text = Exports.new(@index).call(name)
      [200, {"content-type" => Exports::TYPES.fetch(name), "content-length" => text.bytesize.to_s}, [text]]
    end

    # @return [Array] at most PAGE rows, and where to go on
    def page(request, rows)
      from = Integer(request.params["after"] || 0)
      found = rows.drop(from).first(PAGE + 1)
      json(
        200,
        {
          "date" => @index.today.iso8601,
          "rows" => found.first(PAGE),
          "next" => ((from + PAGE).to_s if found.size > PAGE)
        }
      )
    end

    def body(request) = JSON.parse(request.body.read)

    def kept(status, value)
      if @file
        FileUtils.mkdir_p(File.dirname(@file))
        File.write("#{@file}.part", JSON.generate({"settings" => @settings, "state" => @index.to_h}))
        File.rename("#{@file}.part", @file)
      end
      json(status, value)
    end

    def json(status, value)
      text = JSON.generate(value)
      [status, {"content-type" => "application/json", "content-length" => text.bytesize.to_s}, [text]]
    end
  end
end
