# frozen_string_literal: true

module IronTrellis
  module Core
    module Alerts
      # What has changed from one crawl to the next that is worth an alert.
      class Changes
        MOST_URLS = 20

        # @param crawl [Integer] number of the newer one
        # @param limits [Hash{String => Numeric}] what differs from Alert::LIMITS
        def initialize(crawl, limits = {})
          @crawl = crawl
          @limits = Alert::LIMITS.merge(limits)
        end

        # @param rows [Array<Hash{String => Object}>] url, importance and stop of wanted pages that stop and didn't
        # @return [Alert, nil]
        # @example
        #   Changes.new(3).fallen([]) # => nil
        def fallen(rows)
          grave = rows.select { |row| row["importance"].to_f >= @limits["importance"] }
          return if grave.empty?

          urls = grave.sort_by { |row| [-row["importance"], row["url"]] }.map { |row| row["url"] }
          more = (urls.size > 1) ? " and #{urls.size - 1} more" : ""
          alert("page-fell", "#{urls.first}#{more} stopped in crawl #{@crawl}: #{cause(grave.first["stop"])}.", urls)
        end

        # @param rows [Array<Hash{String => Object}>] the same
        # @param wanted [Integer] wanted pages of the crawl before
        # @return [Array<Alert>]
        def rungs(rows, wanted)
          rows
            .group_by { |row| row["stop"] }
            .filter_map do |rung, some|
              next if wanted.zero? || some.size * 100.0 < wanted * @limits["rung_percent"]

              alert(
                "rung-lost",
                "#{some.size} of #{wanted} wanted pages stopped at once in crawl #{@crawl}: #{cause(rung)}.",
                some.map { |row| row["url"] },
                rung
              )
            end
        end

        # @param files [Array<Hash{String => String}>] origin of each robots.txt whose text is another, with the lines
        #   that came and went
        # @return [Array<Alert>]
        def robots(files)
          files.map do |file|
            lines = [*file["gone"].map { |line| "- #{line}" }, *file["new"].map { |line| "+ #{line}" }]
            alert(
              "robots-changed",
              "#{file["origin"]}/robots.txt is another in crawl #{@crawl}: #{lines.first(6).join("; ")}.",
              ["#{file["origin"]}/robots.txt"],
              file["origin"]
            )
          end
        end

        # @param urls [Array<String>] pages that say noindex and didn't
        # @return [Alert, nil]
        def noindex(urls)
          return if urls.size < @limits["noindex_pages"]

          alert("noindex-appeared", "#{urls.size} pages say noindex in crawl #{@crawl} that didn't before.", urls)
        end

        # @param rows [Array<Hash{String => Object}>] url, status and error of sitemaps that could be read before
        # @return [Array<Alert>]
        def sitemaps(rows)
          rows.map do |row|
            alert(
              "sitemap-broke",
              "#{row["url"]} can't be read any more: #{row["status"] ? "it answers #{row["status"]}" : row["error"]}.",
              [row["url"]],
              row["url"]
            )
          end
        end

        # @param fixes [Array<#name, #title>] that came back in this crawl
        # @return [Array<Alert>]
        def returned(fixes)
          fixes.map do |fix|
            Alert.new(
              kind: "fix-returned",
              key: "#{fix.name} crawl #{@crawl}",
              what: "#{fix.name} came back in crawl #{@crawl}: #{fix.title}.",
              urls: fix.urls.map { |one| one["url"] }.first(MOST_URLS),
              count: fix.urls.size,
              screen: "prove/proofs?fix=#{fix.name}"
            )
          end
        end

        # @param hides [Array<Hash{Symbol => Object}>] url, ends_on and days_left
        # @return [Array<Alert>]
        def hides(hides)
          hides
            .select { |one| one[:days_left].between?(0, @limits["hide_days"]) }
            .map do |one|
              Alert.new(
                kind: "hide-ends",
                key: "#{one[:url]} #{one[:ends_on]}",
                what: "#{one[:url]} is hidden until #{one[:ends_on]} only, and nothing lasting stands behind it.",
                urls: [one[:url]],
                count: 1,
                screen: "plan/requests?view=hides"
              )
            end
        end

        # @param index [String] its name
        # @param waiting [Integer] pages that wait for it
        # @param day [Date] on which none was asked for
        # @return [Alert]
        def unused(index, waiting, day)
          Alert.new(
            kind: "quota-unused",
            key: "#{index} #{day}",
            what: "#{waiting} pages wait to be fetched again by #{index}, and none was asked for on #{day}.",
            urls: [],
            count: waiting,
            screen: "plan/requests"
          )
        end

        private

        def cause(rung) = Ladder::Climb::CAUSES.fetch(rung)

        def alert(kind, what, urls, key = nil) =
          Alert.new(
            kind: kind,
            key: ["crawl #{@crawl}", key].compact.join(" "),
            what: what,
            urls: urls.first(MOST_URLS),
            count: urls.size,
            screen: (kind == "robots-changed") ? "prove/compare" : "read/ledger"
          )
      end
    end
  end
end
