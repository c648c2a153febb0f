# frozen_string_literal: true

module IronTrellis
  module Core
    module Groups
      # What we want for each URL: what was decided for itself beats what was for a pattern, and that what was for its
      # group; what nothing was said about is undecided.
      class Intents
        NAMES = %w[index keep_out undecided].freeze
        # What was decided, and of what: `of` is "url", "pattern" or "group", `subject` which. `follow` is false where
        # links shall not be followed, nil where that was left open.
        Rule = Struct.new(:intent, :follow, :of, :subject, keyword_init: true)

        # @param grouping [Grouping]
        # @param rules [Hash{String => Hash}] {"intent", "follow"} by URL or pattern; of patterns the last that matches
        #   wins
        # @param groups [Hash{String => Hash}] {"intent", "follow"} by name of the group
        # @param key_pages [Array<String>] URLs in normal form
        # @raise [Url::Pattern::Malformed]
        def initialize(grouping:, rules:, groups:, key_pages:)
          @grouping = grouping
          patterns = rules.map { |source, value| [Url::Pattern.new(source), value] }
          exact, others = patterns.partition { |pattern, _| pattern.exact? }
          @own = exact.to_h { |pattern, value| [pattern.source, rule("url", pattern.source, value)] }
          @patterns = others.reverse.map { |pattern, value| [pattern, rule("pattern", pattern.source, value)] }
          @groups = groups.to_h { |name, value| [name, rule("group", name, value)] }
          @key_pages = key_pages.to_h { |url| [url, true] }
        end

        # @return [Boolean] whether nothing was said of what matters
        def none? = [@own, @patterns, @groups, @key_pages].all?(&:empty?)

        # @param url [String] in normal form
        # @return [Rule, nil] what decides for it
        def rule_for(url) =
          @own[url] || @patterns.find { |pattern, _| pattern.match?(url) }&.last || @groups[group(url)]

        # @param url [String] in normal form
        # @return [String] one of NAMES
        def of(url) = rule_for(url)&.intent || "undecided"

        # @param url [String] in normal form
        # @return [Boolean, nil] false where its links shall not be followed; nil where that was left open
        def follow(url) = rule_for(url)&.follow

        # @param url [String] in normal form
        # @return [String] the name of its group
        def group(url) = @grouping.name(url)

        # @param url [String] in normal form
        def key_page?(url) = @key_pages.key?(url)

        # Wanted: intent is index; or nothing was decided and a sitemap lists it or it is marked a key page.
        #
        # @param url [String] in normal form
        # @param listed [Boolean] whether a sitemap of the site lists it
        # @param intent [String] what #of says of it
        # @return [Boolean]
        def wanted?(url, listed:, intent: of(url))
          case intent
          when "index" then true
          when "undecided" then listed || key_page?(url)
          else false
          end
        end

        private

        def rule(of, subject, value) =
          Rule.new(intent: value["intent"], follow: value["follow"], of: of, subject: subject)
      end
    end
  end
end
