# frozen_string_literal: true

require "time"

module IronTrellis
  module Work
    module Desk
      # One page at the desk: its words against its phrases, its queries and its rivals, as it is and as it is drafted.
      class Sheet
        MOST_PROPOSED = 12
        Desk = Core::Desk

        # @param site [Store::Sites::Site]
        # @param url_id [Integer]
        # @param now [Time]
        # @raise [Core::Error::NotFound] where the newest crawl knows no such page
        def initialize(site, url_id, now:)
          @site, @now = site, now
          @run = site.newest_verdicts
          @row = row(url_id) or raise Core::Error::NotFound.new("The newest crawl knows no such page.")
          @page = Store::Desk::DeskPage.at(site, url_id, @row["url"], now: now)
          @reads = Store::Desk::Reads.new(site)
        end

        # @return [Store::Desk::DeskPage]
        attr_reader :page

        # @return [Hash] for JSON
        def call
          own = own_page
          rivals = @page.rivals.map { |source| [source, read[source]] }
          against = Desk::Rivals.new(rivals.filter_map { |_, one| one && one[:page] }, language: own.language)
          drafted = Desk::Draft.new(@page.draft).on(own)
          now, then_ = [own, drafted].map { |one| fit(one, against) }
          words = SheetTerms.new(now, then_, against)
          {
            url_id: @page.url_id.to_s,
            url: @row["url"],
            read_at: read[@row["url"]]&.fetch(:read_at)&.iso8601,
            page: page_fields(own),
            phrases: @page.phrases,
            proposed: proposed(against, own),
            draft: @page.draft,
            rivals: rivals.map { |source, one| rival(source, one) },
            fit: now.call,
            draft_fit: then_.call,
            checks: words.checks,
            measures: measures(own, against),
            terms: words.terms,
            suggestions: suggestions(now, against, own),
            queries: queries,
            data: markup(own).call,
            pictures: Pictures.new(@run, own, @page.phrases).call,
            results: [own, drafted].map { |one| result(one) },
            cut_at: {title: limits.title_px, description: limits.description_px}
          }
        end

        # @param input [Hash{String => Object}] phrases, rivals and draft; what isn't there stays
        # @param by [String]
        # @return [void]
        # @raise [Core::Error::InvalidInput]
        def keep(input, by:)
          @page.phrases = SheetInput.phrases(input["phrases"]) if input.key?("phrases")
          @page.rivals = SheetInput.rivals(input["rivals"]) if input.key?("rivals")
          @page.draft = Desk::Draft.read(input["draft"]) if input.key?("draft")
          @page.update!(changed_at: @now, changed_by: by)
        end

        # @return [Array<Hash>] url and preview of its pictures that can be shown
        def previews =
          own_page.figures.to_a.filter_map do |one|
            {url: one["url"], preview: one["preview"]} if one["preview"]
          end

        # Fetches the page and its rivals, each three times in turn, and keeps what they say.
        #
        # @yieldparam done [Integer]
        # @yieldparam total [Integer]
        # @return [void]
        def read_all(&progress)
          urls = @page.rivals.reject { |one| one.start_with?(SheetInput::FILE) }
          Reading.new(@site, now: @now).call([@row["url"], *urls], &progress)
          @read = nil
        end

        # @param input [Hash{String => Object}] kinds and local
        # @return [String] JSON-LD written from what the page says
        # @raise [Core::Error::InvalidInput]
        def marked_up(input) = markup(own_page).write(input["kinds"], input["local"])

        # @param name [String] of a file
        # @param bytes [String]
        # @param by [String]
        # @return [void]
        def add_file(name, bytes, by:)
          source = "#{SheetInput::FILE}#{name}"
          @reads.keep(source, Desk::PageReading.call(bytes, source: source), now: @now)
          keep({"rivals" => @page.rivals | [source]}, by: by)
        rescue Core::Page::Unreadable => error
          wrong("#{name}: #{error.message}.")
        end

        # @return [Array<Array(String, String, String)>] element, before and after of what the draft changes
        def changes = Desk::Draft.new(@page.draft).changes(own_page)

        private

        def row(url_id) = Store::Ledger::Lookup.new(@run).page(url_id)

        def read = @read ||= @reads.of([@row["url"], *@page.rivals])

        # As it was read last; else as the crawl has it.
        def own_page = @own ||= live || OwnPage.of(@run.crawl, @row["url_id"], @row["url"])

        # What links to it only the crawl knows.
        def live
          page = read.dig(@row["url"], :page) or return
          page.texts["links_in"] = OwnPage.links_in(@run.crawl, @row["url_id"])
          page
        end

        def markup(own) = MarkingUp.new(@run, @row, own)

        def fit(page, against) =
          Desk::Fit.new(page, phrases: @page.phrases, rivals: against, lengths: lengths)

        def lengths
          {
            "title" => [limits.title_short, limits.title_long],
            "description" => [limits.description_short, limits.description_long]
          }
        end

        def page_fields(own)
          {
            language: own.language,
            title: own.title,
            description: own.description,
            outline: own.outline,
            pictures: own.pictures,
            text: own.of("text"),
            words: own.words,
            places: own.places || {}
          }
        end

        def queries = @queries ||= worth.queries(@page.url_id)

        def worth = Store::Desk::WorthWorkingOn.of(@run)

        def proposed(against, own)
          by_queries = queries.map { |one| {phrase: one["query"], why: "shown #{one["impressions"]} times"} }
          by_rivals =
            against.shared.select { |one| one.size > 1 }.map do |one|
              {phrase: one.term, why: "#{one.used_by} of #{against.size} rivals use it"}
            end
          (by_queries + by_rivals).reject { |one| @page.phrases.include?(one[:phrase]) }.uniq { |one| one[:phrase] }
            .first(MOST_PROPOSED)
        end

        def rival(source, one)
          page = one&.fetch(:page)
          {
            source: source,
            title: page&.title,
            description: page&.description,
            words: page&.words,
            first_byte_ms: page&.first_byte_ms,
            bytes: page&.bytes,
            read_at: one&.fetch(:read_at)&.iso8601,
            problem: one&.fetch(:problem)
          }
        end

        def measures(own, against)
          against.measures.map do |name, range|
            {name: name, own: own.public_send(name), **range.transform_keys(&:to_sym)}
          end
        end

        def suggestions(now, against, own)
          said = own.texts.values.flatten
          Desk::Suggestions.of(now, against, queries, Desk::Terms.new(own), said)
        end

        # Those of the page's group.
        def limits = @limits ||= @site.limits.for(@site.intent_rules.group(@row["url"]))

        # As a result page would show it.
        def result(page)
          title, description = page.title.to_s, page.description.to_s
          {
            title: title,
            description: description,
            shown_title: pixels.cut(title, pixels::TITLE_SIZE, limits.title_px),
            shown_description: pixels.cut(description, pixels::DESCRIPTION_SIZE, limits.description_px),
            title_px: pixels.width(title, pixels::TITLE_SIZE).round,
            description_px: pixels.width(description, pixels::DESCRIPTION_SIZE).round
          }
        end

        def pixels = Desk::Pixels

        def wrong(message) = raise(Core::Error::InvalidInput.new(message))
      end
    end
  end
end
