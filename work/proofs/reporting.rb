# frozen_string_literal: true

require "time"

module IronTrellis
  module Work
    module Proofs
      # The report on a site: what was wrong, done, freed, is left and comes next.
      class Reporting
        MOST_FOREWORD = 4_000
        MOST_LOGO = 300_000
        LOGO = %r{\Adata:image/(?:png|jpeg|svg\+xml);base64,[A-Za-z0-9+/=]+\z}

        # @param site [Store::Sites::Site]
        # @param from [Integer, nil] number of the crawl to tell from; nil for the first whole one
        # @param now [Time]
        # @raise [Core::Error::InvalidInput] where there is no such crawl
        def initialize(site, now:, from: nil)
          @site = site
          @now = now
          @run = site.newest_verdicts
          @first = first(from)
        end

        # @param site [Store::Sites::Site]
        # @param input [Hash{String => Object}] sections, foreword and logo (a data: address of an image)
        # @return [void]
        # @raise [Core::Error::InvalidInput]
        def self.keep(site, input)
          unknown = Array(input["sections"]) - Core::Proofs::Report::SECTIONS.keys
          raise Core::Error::InvalidInput.new("There is no section “#{unknown.first}”.") if unknown.any?

          logo, foreword = input.values_at("logo", "foreword").map(&:to_s)
          if !logo.empty? && (logo.bytesize > MOST_LOGO || !LOGO.match?(logo))
            raise Core::Error::InvalidInput.new("A logo is a PNG, JPEG or SVG image of 200 KB at most.")
          end
          if foreword.length > MOST_FOREWORD
            raise Core::Error::InvalidInput.new("A foreword has #{MOST_FOREWORD} characters at most.")
          end

          site.update!(
            workplan_settings:
              site.workplan_settings.merge(
                "report" => {"sections" => input["sections"], "foreword" => foreword, "logo" => logo}
              )
          )
        end

        # @return [Core::Proofs::Report]
        def report = @report ||= Core::Proofs::Report.new(data)

        # @return [Array<Core::Proofs::Report::Section>] those that the site chose
        def sections = report.sections(settings["sections"] || Core::Proofs::Report::SECTIONS.keys)

        # @return [Array<Hash>] number and day of the crawl that it tells from, and of the newest
        def crawls = [data.from, data.now]

        # @return [Hash{String => Object}] sections (nil for all), foreword and logo, as the site has them
        def settings =
          {"sections" => nil, "foreword" => "", "logo" => ""}.merge(@site.workplan_settings.fetch("report", {}))

        # @return [Ports::Reports::Paper] as it is printed
        def paper
          Ports::Reports::Paper.new(
            site: @site.name,
            day: @now.to_date.iso8601,
            foreword: settings["foreword"],
            logo: settings["logo"],
            stops: report.stops,
            crawls: crawls,
            sections: sections
          )
        end

        private

        def first(number)
          crawls = @site.crawls.where(state: Store::Crawling::Crawl::FINISHED, scope: Store::Crawling::Crawl::WHOLE)
          crawl =
            crawls.reorder(:number).find { |one| (number ? one.number == number : !one.unanswered) && one.verdict_run }
          crawl&.verdict_run ||
            raise(Core::Error::InvalidInput.new("#{@site.name} has no whole crawl #{number} that is judged."))
        end

        def data
          @data ||=
            begin
              intent_rules = @site.intent_rules
              then_, now = [@first, @run].map { |run| Store::Proofs::ReportRows.new(run, intent_rules) }
              Core::Proofs::Report::Data.new(
                site: @site.name,
                from: then_.crawl,
                now: now.crawl,
                stops: {from: then_.stops, now: now.stops},
                causes: then_.causes,
                fixes: Store::Workplan::Fix.of(@site).order(:number).map { |fix| build_row(fix) },
                today: @now.to_date
              )
            end
        end

        def build_row(fix)
          conditions = fix.proof&.fetch("conditions") || []
          {
            id: fix.name,
            url_count: fix.urls.size,
            met_share: conditions.empty? ? 0.0 : conditions.count { |one| one["met"] } / conditions.size.to_f,
            **fix.attributes.symbolize_keys.slice(:title, :state, :benefit, :hours, :owner, :start, :finish)
          }
        end
      end
    end
  end
end
