# frozen_string_literal: true

require "csv"

module IronTrellis
  module Work
    module BusinessFacts
      # How the business of a site is written on its pages and in lists elsewhere, against the form that was chosen.
      class Overview
        Writing = Core::BusinessFacts::Writing
        FACTS = Writing::FACTS
        MOST_LISTINGS = 500
        MOST_TEXT = 300
        SAMPLES = 5
        MOST_ROWS = 500
        STATES = %w[right otherwise wrong missing].freeze

        # @param site [Store::Sites::Site]
        def initialize(site)
          @site = site
          @kept = site.business_facts
        end

        # @return [Hash] for JSON
        def call
          {
            country: country,
            chosen: chosen,
            facts: FACTS.map { |fact| {fact: fact, writings: writings(fact), **shares(fact)} },
            pages: rows(pages.first(MOST_ROWS)),
            listings: rows(listings)
          }
        end

        # @param input [Hash{String => Object}] chosen (by fact) and country
        # @return [void]
        # @raise [Core::Error::InvalidInput]
        def choose(input)
          chosen = (input["chosen"] || {}).slice(*FACTS).transform_values { |text| text.to_s.strip[0, MOST_TEXT] }
          country = input["country"].to_s.upcase[/\A[A-Z]{2}\z/]
          @site.update!(
            business_facts: @kept.merge("chosen" => chosen.reject { |_, text| text.empty? }, "country" => country)
          )
        end

        # @param bytes [String] CSV with the columns source, name, address, telephone and web
        # @return [Integer] how many lists are known now
        # @raise [Core::Error::InvalidInput]
        def bring(bytes)
          table = CSV.parse(Core::Content::Readable.of(bytes), headers: true)
          missing = %w[source] - table.headers.compact.map { |one| one.strip.downcase }
          wrong("The file has no column “source”; it needs source, name, address, telephone, web.") if missing.any?
          rows = table.map { |row| listing(row.to_h.transform_keys { |name| name.to_s.strip.downcase }) }
          wrong("A file of more than #{MOST_LISTINGS} lists is too long.") if rows.size > MOST_LISTINGS
          @site.update!(business_facts: @kept.merge("listings" => rows.reject { |one| one["source"].empty? }))
          rows.size
        rescue CSV::MalformedCSVError => error
          wrong("The file can't be read: #{error.message}.")
        end

        # @return [String] CSV for those who keep the lists: what is wrong there, and how it should be
        def to_correct
          lines =
            listings.flat_map do |one|
              FACTS.filter_map do |fact|
                state = state(fact, one)
                [one["source"], fact, one[fact], chosen[fact], state] if chosen[fact] && state != "right"
              end
            end
          [%w[source fact written should_be state], *lines].map { |line| Ports::Tables::Formats::Csv.line(line) }.join
        end

        # Makes a fix of what pages write otherwise than chosen.
        #
        # @param by [String]
        # @param now [Time]
        # @return [Store::Workplan::Fix]
        # @raise [Core::Error::InvalidInput] where all is as chosen
        def fix(by:, now:)
          faults = pages.flat_map { |page| faults(page) }.uniq
          wrong("All pages write the business as chosen.") if faults.empty?

          fix = Workplan::HandMade.add(@site, order(faults), by: by, now: now)
          fix.update!(faults: faults)
          fix
        end

        private

        def pages = @pages ||= Store::BusinessFacts::Pages.new(@site.newest_verdicts).call

        def listings = @kept["listings"] || []

        def country = @kept["country"]

        # The most frequent writing, where nothing was chosen.
        def chosen
          @chosen ||=
            FACTS.to_h { |fact| [fact, @kept.dig("chosen", fact) || usual(fact)] }.compact
        end

        def usual(fact) = pages.filter_map { |one| one[fact] }.tally.max_by { |writing, times| [times, writing] }&.first

        def state(fact, row) = state_of(fact, row[fact])

        # Most pages write it alike, and a number takes long to be read.
        def state_of(fact, writing) =
          (@states ||= {})[[fact, writing]] ||= Writing.state(fact, writing, chosen[fact], country)

        def rows(all) =
          all.map { |one| one.merge("states" => FACTS.to_h { |fact| [fact, state(fact, one)] }) }

        def writings(fact)
          (pages + listings)
            .select { |one| one[fact] }
            .group_by { |one| one[fact] }
            .map do |writing, some|
              sources = some.map { |one| one["source"] }.uniq
              {
                writing: writing,
                state: state_of(fact, writing),
                sources: sources.size,
                samples: sources.first(SAMPLES)
              }
            end
            .sort_by { |one| [-one[:sources], one[:writing]] }
        end

        # Of all that write of the business.
        def shares(fact)
          states = (pages + listings).map { |one| state(fact, one) }.tally
          STATES.to_h { |name| [name.to_sym, states[name] || 0] }
        end

        def listing(row) =
          {"source" => row["source"].to_s.strip, **FACTS.to_h { |fact| [fact, text(row[fact])] }.compact}

        def text(value) = value.to_s.strip.empty? ? nil : value.strip[0, MOST_TEXT]

        def faults(page)
          FACTS.filter_map do |fact|
            next unless %w[wrong otherwise].include?(state(fact, page))

            about = [page[fact], chosen[fact]].join(Core::Proofs::Checks::Drafted::TO)
            {"code" => "drafted-fact", "url" => page["source"], "about" => about}
          end
        end

        def order(faults) =
          {
            "kind" => "content",
            "title" => "Write the business in one way on all pages",
            "reason" => "As chosen: #{chosen.values.join(", ")}",
            "urls" => faults.map { |one| one["url"] }.uniq.first(Workplan::HandMade::MOST_URLS),
            "hours" => (faults.size * Core::Workplan::Effort::DEFAULTS.fetch("data")).round(2)
          }

        def wrong(message) = raise(Core::Error::InvalidInput.new(message))
      end
    end
  end
end
