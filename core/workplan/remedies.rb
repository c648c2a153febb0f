# frozen_string_literal: true

module IronTrellis
  module Core
    module Workplan
      # What ought to be in place of what is wrong: where lost addresses lead, which canonical a page names, what a link
      # leads to. What was decided counts first, then what follows from the crawl; a `proposed` one is only likely.
      class Remedies
        Target = Struct.new(:to, :status, :proposed, keyword_init: true)

        MOVED = 301
        STALE = "index-stale"
        ENDS_WELL = %w[redirect-chain redirect-temporary redirect-refresh redirect-downgrade].freeze
        ITSELF = %w[
          canonical-missing
          canonical-to-missing
          canonical-to-noindex
          canonical-to-blocked
          canonical-loop
          canonical-paged-to-first
          canonical-off-site
          kept-elsewhere
        ].freeze
        # What a canonical names can't stand for anything, however it is written.
        USELESS = %w[canonical-to-missing canonical-to-noindex canonical-to-blocked canonical-loop].freeze
        REPAIRED = %w[canonical-malformed canonical-misplaced].freeze
        FINAL = %w[canonical-to-redirect canonical-chain].freeze
        OF_SEVERAL = %w[canonical-many canonical-clash].freeze
        COPY = %w[copy-exact parameter-variants].freeze
        DECIDED = %w[decided-canonical canonical-not-wanted].freeze
        MOST_CANONICALS = 10

        # @param rows [Hash{String => Faults::Subject}] by URL, what is known of those that are named anywhere
        # @param routes [Redirects::Table] the decided ones
        # @param suggestions [#call] gives of a URL its Redirects::Suggestions, the best first
        # @param canonicals [#for] the chosen ones
        # @param told [Hash{String => Array<Hash>}] by URL, what is told of canonicals in any fix
        def initialize(rows:, routes:, suggestions:, canonicals:, told:)
          @told = told
          @rows = rows
          @routes = routes
          @suggestions = suggestions
          @canonicals = canonicals
        end

        # @param url [String]
        # @return [Faults::Subject, nil]
        def row(url) = @rows[url]

        # @param url [String] that is lost
        # @return [Target, nil] the accepted route, else the best suggestion that is good enough, else 410; nil where
        #   that can't be proposed either, since a sitemap, several pages or other sites name it
        def target(url)
          decided = accepted(url)
          return decided if decided

          suggestions = @suggestions.call(url)
          return Target.new(to: suggestions.first.target, status: MOVED, proposed: true) if good?(suggestions.first)
          return if suggestions.any? { |one| one.target.nil? && one.score.zero? }

          Target.new(to: nil, status: Redirects::Route::GONE, proposed: true)
        end

        # @param fault [Hash{String => String, nil}] code, url and about
        # @return [Target, nil] the rule that it asks for; nil where it asks for none, or nobody knows yet for which
        def rule(fault)
          code, url = fault.values_at("code", "url")
          return accepted(url) if code == "gone-linked" || (code == STALE && settled?(url))
          return target(url) unless ENDS_WELL.include?(code)

          accepted(url) || final(url)&.then { |to| Target.new(to: to, status: MOVED, proposed: false) } || target(url)
        end

        # Of several faults of one page, in whichever fixes they stand, the surest address counts: the page that stands
        # for a copy, then where what it names ends or what was meant, then its own.
        #
        # @param url [String]
        # @param faults [Array<Hash>] of that page
        # @return [String]
        def canonical(url, faults)
          faults += @told.fetch(url, [])
          @canonicals.for(url) || copied(faults) || about(faults, DECIDED) || ended(faults) || repaired(url, faults) ||
            of_several(url, faults) || url
        end

        # @param fault [Hash] of a link
        # @return [String, nil] to where the link shall lead; nil where it is to be taken out
        def link(fault)
          about = fault["about"]
          case fault["code"]
          when "link-to-redirect" then final(about) || target(about)&.to
          when "link-to-missing" then target(about)&.to || Faults::LikelyCause.meant(about).keys.first
          when "link-to-failing" then about
          when "outbound-missing" then nil
          else about
          end
        end

        private

        def good?(suggestion) = suggestion&.target && suggestion.score >= Redirects::Targets::LEAST_SCORE

        def accepted(url) =
          @routes
            .answer(url)
            &.then { |answer| Target.new(to: answer.target, status: answer.route.status, proposed: false) }

        # What is gone or leads on well already waits for the index alone.
        def settled?(url) = @rows[url]&.status == Redirects::Route::GONE || !final(url).nil?

        # Where it ends, if that is a good end.
        def final(url)
          row = @rows[url] or return
          row.final_url if row.final_url && row.final_url != url && row.final_status == 200
        end

        def about(faults, codes) = faults.find { |one| codes.include?(one["code"]) }&.fetch("about")

        def copied(faults) = about(faults, COPY)

        def ended(faults)
          named = about(faults, FINAL) or return
          final(named) || end_of_canonicals(named)
        end

        def end_of_canonicals(url)
          MOST_CANONICALS.times do
            following = @rows[url]&.canonical
            return url if following.nil? || following == url

            url = following
          end
          nil
        end

        # The same, written right.
        def repaired(url, faults)
          return if about(faults, USELESS)

          written = about(faults, REPAIRED) or return
          resolver = Url::Resolver.new(Url::NormalForm.parse(url))
          resolver.call(written.strip.sub(/#.*/m, "")) unless written.strip.empty? || written.strip.start_with?("#")
        end

        def of_several(url, faults)
          return if faults.none? { |one| OF_SEVERAL.include?(one["code"]) }

          @rows[url]&.canonical || url
        end
      end
    end
  end
end
