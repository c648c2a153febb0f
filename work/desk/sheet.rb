# frozen_string_literal: true

require "time"

module IronTrellis
  module Work
    module Desk
      # One page at the desk: its words against its phrases, its queries and its rivals, as it is and as it is drafted.
      class Sheet
        MOST_TERMS = 120
        MOST_PROPOSED = 12
        MOST_RIVALS = 12
        MOST_PHRASES = 10
        MOST_PHRASE = 120
        FILE = "file:"
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
            checks: checks(now, then_),
            measures: measures(own, against),
            terms: terms(now, then_, against),
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
          @page.phrases = phrases(input["phrases"]) if input.key?("phrases")
          @page.rivals = rivals(input["rivals"]) if input.key?("rivals")
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
          urls = @page.rivals.reject { |one| one.start_with?(FILE) }
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
          source = "#{FILE}#{name}"
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

        def checks(now, then_) =
          now.checks.zip(then_.checks).map do |one, other|
            one.as_json.merge("about" => one.about, "drafted" => other.found, "drafted_met" => other.met)
          end

        def measures(own, against)
          against.measures.map do |name, range|
            {name: name, own: own.public_send(name), **range.transform_keys(&:to_sym)}
          end
        end

        def terms(now, then_, against)
          shared = against.shared.to_h { |one| [one.key, one] }
          drafted = then_.terms.to_h { |one| [one.key, one] }
          known = now.terms.first(MOST_TERMS)
          lacking = now.lacking.first(MOST_TERMS / 2).reject { |one| known.any? { |term| term.key == one.key } }
          known.map { |one| term(one, drafted[one.key], shared[one.key]) } +
            lacking.map { |one| lacking(one, drafted[one.key]) }
        end

        def term(one, drafted, shared)
          {
            term: one.term,
            size: one.size,
            counts: one.counts.select { |_, times| times.positive? },
            share: one.share,
            drafted: drafted ? drafted.counts["text"] : 0,
            rivals: shared&.to_h&.slice(:used_by, :median, :low, :high)
          }
        end

        def lacking(shared, drafted) =
          {
            term: shared.term,
            size: shared.size,
            counts: {},
            share: 0.0,
            drafted: drafted ? drafted.counts["text"] : 0,
            rivals: shared.to_h.slice(:used_by, :median, :low, :high)
          }

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

        def phrases(values)
          fine = values.is_a?(Array) && values.size <= MOST_PHRASES && values.all? { |one| phrase?(one) }
          wrong("Give at most #{MOST_PHRASES} phrases, each of at most #{MOST_PHRASE} characters.") unless fine
          values.map(&:strip).uniq
        end

        def phrase?(text) = text.is_a?(String) && !text.strip.empty? && text.size <= MOST_PHRASE

        def rivals(values)
          fine = values.is_a?(Array) && values.size <= MOST_RIVALS && values.all?(String)
          wrong("Give at most #{MOST_RIVALS} rivals.") unless fine
          values.map { |one| one.start_with?(FILE) ? one : Core::Url::NormalForm.parse(one).to_s }.uniq
        rescue Core::Url::NormalForm::Malformed => error
          wrong(error.message)
        end

        def wrong(message) = raise(Core::Error::InvalidInput.new(message))
      end
    end
  end
end
