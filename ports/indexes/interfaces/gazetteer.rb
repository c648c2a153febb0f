# frozen_string_literal: true

require "date"
require "json"
require "net/http"
require "time"
require "uri"

module IronTrellis
  module Ports
    module Indexes
      module Interfaces
        # The interface of Gazetteer, the stand-in: JSON over HTTP, a page of rows at a time.
        class Gazetteer
          NAME = "gazetteer"
          LABEL = "Gazetteer"
          PLACE = 1
          # For one answer, and for all pages of a list.
          SECONDS = 30
          MOST_SECONDS = 1_800
          # More pages than this no honest answer has.
          MOST_PAGES = 100_000
          # How often a page is asked for before it is given up, and how long is waited in between, in seconds.
          TRIES = 3
          PAUSES = [0.5, 2].freeze

          # @param address [String] "http://127.0.0.1:7430"
          # @param pinned [String] to which its host was resolved when it was permitted
          # @param wanted [#call] raises where nobody waits for the answer any more
          # @param pause [#call] waits so many seconds
          # @param seconds [Integer] for one answer
          def initialize(address, pinned:, wanted: -> {}, pause: method(:sleep), seconds: SECONDS)
            @address = URI(address)
            @pinned = pinned
            @wanted = wanted
            @pause = pause
            @seconds = seconds
          end

          # @return [Hash] name, today, quota, hosts
          def status = get("/status", %w[name today quota hosts])

          # @yieldparam rows [Array<Hash{String => String}>] by the fields of standings
          # @return [Date]
          def standings(&block) = paged("/standings", %w[url standing], &block)

          # @param kind [String] pages or queries
          # @param from [Date]
          # @param to [Date]
          # @yieldparam rows [Array<Hash{String => Object}>] by the fields of that kind
          # @return [Date]
          def record(kind, from, to, &block) =
            paged("/record/#{kind}", %w[url clicks impressions date], {from: from.iso8601, to: to.iso8601}, &block)

          # @return [Date]
          def sitemaps(&block) = paged("/sitemaps", %w[url state], &block)

          # @return [Date]
          def requests(&block) = paged("/requests", %w[url on state], &block)

          # @return [Date]
          def hides(&block) = paged("/hides", %w[url asked_on ends_on], &block)

          # @return [Date]
          def ownership(&block) = paged("/ownership", %w[host verified], &block)

          # @param url [String]
          # @return [Hash{String => Object}] what it stored of that page
          # @raise [Core::Error::NotFound]
          def look(url) = get("/look", %w[url standing], {url: url})

          # @param phrase [String]
          # @return [Hash{String => Object}] results and paid, each [{url, title, description}], the best first
          def results(phrase) = get("/results", %w[results paid], {phrase: phrase})

          # @param url [String] of a sitemap
          # @return [Hash]
          def send_sitemap(url) = change(:Post, "/sitemaps", url)

          # @return [Hash]
          def withdraw_sitemap(url) = change(:Delete, "/sitemaps", url)

          # Asks for a page to be fetched again.
          #
          # @raise [Refused]
          def request(url) = change(:Post, "/requests", url)

          # @param only_copy [Boolean] whether only what it stored of the page is cleared
          # @raise [Refused]
          def hide(url, only_copy: false) = change(:Post, "/hides", url, only_copy: only_copy)

          # @return [Hash]
          def unhide(url) = change(:Delete, "/hides", url)

          private

          def paged(path, needed, params = {})
            date = after = nil
            ends = monotonic + MOST_SECONDS
            MOST_PAGES.times do
              unavailable("#{path} takes longer than #{MOST_SECONDS / 60} minutes") if monotonic > ends
              page = get(path, %w[date rows], params.merge({after: after}.compact))
              yield checked(path, page["rows"], needed)
              date = Date.iso8601(page["date"])
              # Where it stands still it would never end.
              return date if page["next"].nil? || page["next"] == after

              after = page["next"]
            end
            unavailable("#{path} has no end")
          rescue Date::Error
            unavailable("#{path} tells no day")
          end

          def checked(path, rows, needed)
            good = rows.is_a?(Array) && rows.all? { |row| row.is_a?(Hash) && needed.all? { |name| row.key?(name) } }
            good ? rows : unavailable("#{path} answers with rows that lack some of #{needed.join(", ")}")
          end

          def get(path, needed, params = {})
            uri = @address.dup
            uri.path = path
            uri.query = URI.encode_www_form(params) if params.any?
            value = read(patiently { ask(Net::HTTP::Get.new(uri)) }, path)
            return value if value.is_a?(Hash) && needed.all? { |name| value.key?(name) }

            unavailable("#{path} answers without #{needed.join(", ")}")
          end

          def change(verb, path, url, **more)
            uri = @address.dup
            uri.path = path
            uri.query = URI.encode_www_form(url: url) if verb == :Delete
            request = Net::HTTP.const_get(verb).new(uri, "content-type" => "application/json")
            request.body = JSON.generate(url: url, **more) if verb == :Post
            read(ask(request), path)
          rescue *NetworkFailures::ALL => error
            unavailable(error.message)
          end

          # What fails may pass: it is asked again, each time later.
          def patiently
            tries = 0
            begin
              answer = yield
              raise IOError.new("it answers #{answer.code}") if answer.code.to_i >= 500

              answer
            rescue *NetworkFailures::ALL => error
              tries += 1
              unavailable(error.message) if tries >= TRIES
              @pause.call(PAUSES.fetch(tries - 1))
              retry
            end
          end

          def ask(request) =
            Outgoing.new(@address, address: @pinned, seconds: @seconds, wanted: @wanted).call(request)

          def read(answer, path)
            value = JSON.parse(answer.body.to_s)
            case answer.code.to_i
            when 200..299 then value
            when 404 then raise Core::Error::NotFound.new(value["error"] || "There is nothing at #{path}.")
            when 429 then raise Refused.new(value["error"] || "It refuses.")
            else unavailable(value["error"] || "it answers #{answer.code}")
            end
          rescue JSON::ParserError, NoMethodError, TypeError
            unavailable("#{path} answers with something that is no JSON")
          end

          def monotonic = Process.clock_gettime(Process::CLOCK_MONOTONIC)

          def unavailable(why) =
            raise(Unavailable.new("The index at #{@address.host}:#{@address.port} can't be asked: #{why}."))
        end
      end
    end
  end
end
