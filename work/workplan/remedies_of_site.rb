# frozen_string_literal: true

module IronTrellis
  module Work
    module Workplan
      # What ought to be in place of what is wrong, for the faults of some fixes.
      module RemediesOfSite
        REROUTED = /\A(?:not-found|link-to-missing|index-stale|redirect-|accepted-route)/
        KIND = "canonicals"
        CANONICALS =
          Core::Faults::Registry.all.map(&:code).select { |code| Core::Workplan::Kinds.of(code) == KIND }.freeze
        WEB = %r{\Ahttps?://}i

        module_function

        # @param run [Store::Judging::VerdictRun]
        # @param faults [Array<Hash{String => String, nil}>] code, url and about
        # @return [Core::Workplan::Remedies]
        def for(run, faults)
          site = run.crawl.site
          known = Store::Proofs::Known.new(run)
          known.load(named(faults))
          Core::Workplan::Remedies.new(
            rows: known.method(:row),
            routes: site.decided_routes,
            suggestions: Suggested.new(run, lost(faults)),
            canonicals: site.chosen_canonicals,
            told: Store::Workplan::FaultsOfPages.of(run, about_canonicals(faults), CANONICALS)
          )
        end

        # @param faults [Array<Hash>]
        # @return [Array<String>] pages with something about their canonical among it
        def about_canonicals(faults) =
          faults.filter_map { |one| one["url"] if Core::Workplan::Kinds.of(one["code"]) == KIND }.uniq

        # @param faults [Array<Hash>]
        # @return [Array<String>] addresses that they name
        def named(faults) = faults.flat_map { |one| one.values_at("url", "about") }.compact.grep(WEB).uniq

        def lost(faults) =
          faults
            .select { |fault| REROUTED.match?(fault["code"]) }
            .map { |fault| fault[fault["code"].start_with?("link-") ? "about" : "url"] }
            .uniq
        private_class_method :lost, :about_canonicals

        # Suggestions for lost addresses, worked out when the first of them is asked for.
        class Suggested
          # @param run [Store::Judging::VerdictRun]
          # @param urls [Array<String>] that will be asked for
          def initialize(run, urls)
            @run = run
            @urls = urls
          end

          # @param url [String]
          # @return [Array<Core::Redirects::Suggestion>]
          def call(url) = found.fetch(id(url), [])

          private

          def id(url) = Core::Url::NormalForm.id(@run.crawl.site_id, url)

          def found =
            @found ||=
              Redirects::SuggestedTargets.new(@run, clock: -> { Time.now }).for(@urls.map { |url| id(url) })
        end
      end
    end
  end
end
