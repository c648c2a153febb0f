# frozen_string_literal: true

require "date"
require "digest"
require "ipaddr"
require "time"

module IronTrellis
  module Work
    module Evidence
      # Reads access logs and keeps what crawlers fetched, counted by day, agent, URL and status. A file that was read
      # before changes nothing.
      class Logs
        KIND = "logs"
        MOST_LINE = 64_000
        # So many counts are held in memory before they are put away.
        MOST_COUNTS = 100_000
        MOST_TOLD = 1_000
        MOST_KEPT = 50_000
        DIGEST_PIECE = 1 << 20

        # @param site [Store::Sites::Site]
        # @param verified [Hash{String => Array<IPAddr>}] address ranges by agent; others only claim to be what they say
        # @param by [String, nil]
        # @param now [Time]
        def initialize(site, verified:, now:, by: nil)
          @site = site
          @verified = verified.transform_keys(&:downcase)
          @now = now
          @by = by
          @scope = site.crawl_settings.scope
          @origin = site.crawl_settings.first_urls.first[%r{\Ahttps?://[^/]+}]
          @reading = site.evidence_reading
          @result = {
            "kind" => KIND,
            "rows" => 0,
            "kept" => 0,
            "unchanged" => 0,
            "out_of_scope" => 0,
            "wrong_count" => 0,
            "wrong" => [],
            "from" => nil,
            "to" => nil,
            "agents" => {}
          }
          @urls = {}
          @days = {}
        end

        # @param paths [Array<String>]
        # @param names [Array<String>] of the files, for people
        # @yieldparam rows [Integer] now and then
        # @return [Hash{String => Object}]
        # @raise [Core::Error::InvalidInput] where a file is damaged; nothing of it is kept then
        def call(paths, names: paths.map { |path| ::File.basename(path) }, &progress)
          paths.zip(names).each { |path, name| known?(path) || read(path, name, &progress) }
          @result["agents"] = @result["agents"].sort.to_h
          @result
        end

        private

        def known?(path)
          @digest = digest(path)
          earlier = Store::Evidence::Import.find_by(site_id: @site.id, kind: KIND, digest: @digest, undone_at: nil)
          return false unless earlier

          rows = earlier.result.fetch("rows")
          @result["rows"] += rows
          @result["unchanged"] += rows
          true
        end

        def digest(path)
          digest = Digest::SHA256.new
          ::File.open(path, "rb") do |file|
            while (piece = file.read(DIGEST_PIECE))
              digest << piece
            end
          end
          digest.hexdigest
        end

        def read(path, name, &progress)
          @counts = Hash.new(0)
          before = @result["rows"]
          ActiveRecord::Base.transaction do
            @import = begin_import(name)
            Ports::Logs::Lines.each(path, MOST_LINE) { |text, line| take(text, name, line, &progress) }
            put_away
            @import.update!(
              result: {
                "rows" => @result["rows"] - before
              },
              date: @result["to"] && Date.iso8601(@result["to"])
            )
          end
        end

        def begin_import(name)
          Store::Evidence::Import.create!(
            site: @site,
            kind: KIND,
            name: name,
            digest: @digest,
            made_by: @by,
            made_at: @now
          )
        end

        def take(text, file, line)
          text &&= Core::Evidence::LogLine.readable(text)
          return if text && text.strip.empty?

          @result["rows"] += 1
          yield @result["rows"] if block_given? && (@result["rows"] % DIGEST_PIECE).zero?
          return refuse(file, line, "the line is longer than #{MOST_LINE} bytes") if text.nil?

          count(Core::Evidence::LogLine.new(text))
        rescue Core::Evidence::LogLine::Unreadable => error
          refuse(file, line, error.message)
        end

        def refuse(file, line, why)
          @result["wrong_count"] += 1
          @result["wrong"] << {"file" => file, "line" => line, "why" => why} if @result["wrong"].size < MOST_TOLD
        end

        def count(line)
          url = url(line.target)
          return @result["out_of_scope"] += 1 unless @scope.host?(url)

          day = day(line)
          @result["kept"] += 1
          agent = line.crawler(@verified.keys) or return
          verified = verified?(agent, line.peer)
          tally(agent, verified, day)
          @counts[[day, agent, verified, id(url), line.status]] += 1
          put_away if @counts.size >= MOST_COUNTS
        end

        def url(target)
          @urls.clear if @urls.size > MOST_KEPT
          @urls[target] ||= Core::Url::NormalForm.parse?(
            target.start_with?("/") ? "#{@origin}#{target}" : target
          )&.to_s || raise(Core::Evidence::LogLine::Unreadable.new("its request names no address: “#{target[0, 80]}”"))
        end

        # The day where the site is at home; told once an hour.
        def day(line)
          time = line.time
          @days[time.to_i / 3600] ||= @reading.today(time)
        end

        def verified?(agent, peer)
          ranges = @verified[agent.downcase] or return false

          address = IPAddr.new(peer)
          ranges.any? { |range| range.include?(address) }
        rescue IPAddr::Error
          false
        end

        def tally(agent, verified, day)
          told = @result["agents"][agent] ||= {"requests" => 0, "verified" => 0}
          told["requests"] += 1
          told["verified"] += 1 if verified
          text = day.iso8601
          @result["from"] = [@result["from"], text].compact.min
          @result["to"] = [@result["to"], text].compact.max
        end

        def id(url)
          @known ||= {}
          @known.clear if @known.size > MOST_KEPT
          @known[url] ||= Core::Url::NormalForm.id(@site.id, url).tap { |number| (@new ||= {})[number] = url }
        end

        def put_away
          Store::Crawling::Urls.add(@site.id, @new || {}, @now)
          @new = {}
          Store::Evidence::LogHits.add(@import, @counts)
          @counts.clear
        end
      end
    end
  end
end
