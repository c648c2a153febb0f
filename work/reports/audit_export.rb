# frozen_string_literal: true

require "fileutils"
require "json"
require "time"

module IronTrellis
  module Work
    module Reports
      # Writes the four files of an audit.
      class AuditExport
        # @param crawl [Store::Crawling::Crawl]
        # @param folder [String]
        def initialize(crawl, folder)
          @crawl = crawl
          @folder = folder
        end

        # Starts with the links, which wait for no verdicts: to be called when all pages are stored, while they are
        # judged.
        #
        # @return [Thread]
        def start = @links ||= Store::Postgres::Concurrently.start { write_links }

        # To be called when the crawl is judged.
        #
        # @return [Hash] the summary
        # @raise [SystemCallError] where a file can't be written
        def call
          FileUtils.mkdir_p(@folder)
          @rows = Store::Reports::AuditRows.new(@crawl, @crawl.verdict_run)
          Ports::Tables::JsonlFile.write(path("urls.jsonl")) { |write| @rows.urls(&write) }
          start.value
          Ports::Tables::JsonlFile.write(path("faults.jsonl")) { |write| @rows.faults(&write) }
          summary.tap { |one| File.write(path("summary.json"), "#{JSON.pretty_generate(one)}\n") }
        end

        private

        def write_links
          rows = Store::Reports::AuditRows.new(@crawl, nil)
          Ports::Tables::JsonlFile.lines(path("links.jsonl")) { |write| rows.links { |line| write.call(line) } }
        end

        def path(name) = File.join(@folder, name)

        def summary
          progress = Store::Crawling::Progress.of(@crawl)
          sums = @rows.sums
          seconds = (@crawl.fetching_ended_at - @crawl.started_at).round(3)
          {
            "site" => @crawl.site.name,
            "started_at" => @crawl.started_at.utc.iso8601,
            "seconds" => seconds,
            "ended_by" => Crawling::HowEnded.of(@crawl),
            "fetched" => progress.fetched,
            "not_fetched" => sums["by_stop"].fetch("not_fetched", 0),
            "urls" => sums["urls"],
            "by_status" => sums["by_status"],
            "by_stop" => {"not_fetched" => 0}.merge(sums["by_stop"]),
            "by_group" => sums["by_group"],
            "faults" => sums["faults"],
            "pages_per_second" => seconds.zero? ? nil : (progress.fetched / seconds).round(1),
            "settings" => @crawl.crawl_settings.to_h
          }
        end
      end
    end
  end
end
