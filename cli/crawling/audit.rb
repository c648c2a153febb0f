# frozen_string_literal: true

require "fileutils"
require "securerandom"
require "tempfile"

module IronTrellis
  module Cli
    module Crawling
      # The command audit: makes sure of the database, crawls with worker processes of its own on a queue of its own, so
      # that it works beside a running application, and writes the files.
      class Audit
        POLL_SECONDS = 0.05

        # @param start_urls [Array<String>]
        # @param options [Hash] of the command line
        def initialize(start_urls, options)
          @start_urls = start_urls
          @options = options
        end

        # @return [Integer] exit code
        def call
          if @start_urls.empty?
            raise Ending.new(
              "Give at least one start URL, for example: bin/trellis audit https://www.example.test/ --out report",
              Ending::WRONG_USAGE
            )
          end

          given = AuditSettings.new(@start_urls, @options)
          settings, intents = Core::Settings::Crawl.new(given.crawl), given.intents
          workers
          make_folder
          crawl = prepare(settings, intents)
          run(crawl)
          finish(crawl)
        end

        private

        # A folder that can't be written to is told of before hours of crawling.
        def make_folder
          FileUtils.mkdir_p(@options["out"])
          Tempfile.create("trellis", @options["out"]) { |file| file.write("x") }
        rescue SystemCallError => error
          raise Ending.new(
            "The files can't be written to #{@options["out"]}: #{error.message}. Give another folder with --out.",
            Ending::COULD_NOT
          )
        end

        def prepare(settings, intents)
          Store::Postgres::Database.prepare
          Work::Runtime::Queue.connect
          Work::Crawling::Watch.end_abandoned(Time.now)
          # What can't be used leaves no site behind.
          ActiveRecord::Base.transaction do
            site = site(settings)
            Work::Intents::UpdateIntents.replace(
              site,
              intents: intents,
              key_pages: @options["key_page"] || [],
              by: "command line",
              now: Time.now
            )
            Work::Crawling::Runs
              .start(site, now: Time.now, slots: workers, queue: "audit-#{Process.pid}-#{SecureRandom.hex(4)}")
              .tap { |crawl| Work::Crawling::Watch.watch(crawl, Time.now) }
          end
        end

        def workers
          count = @options["workers"]
          return count if count.is_a?(Integer) && (1..32).cover?(count)

          raise Core::Error::InvalidInput.new("--workers must be a whole number from 1 to 32.")
        end

        def site(settings)
          name = @options["site"] || settings.main_host
          site = Store::Sites::Site.find_by(name: name)
          return Store::Sites::Site.register(name: name, settings: settings) unless site

          site.update!(settings: settings.to_h)
          site
        end

        def run(crawl)
          processes = AuditWorkers.new(crawl)
          bar = ProgressLine.new(crawl)
          @files = Work::Reports::AuditExport.new(crawl, @options["out"])
          heed_signals do
            until crawl.reload.ended?
              raise Interrupt if @signal

              bar.show(Store::Crawling::Progress.of(crawl))
              processes.look_after(workers)
              @files.start if crawl.all_stored?
              sleep POLL_SECONDS
            end
          end
          bar.finish(Store::Crawling::Progress.of(crawl))
        rescue Interrupt
          processes.end_all
          Work::Crawling::Watch.end_it(crawl, Time.now)
          raise Ending.new(
            "Interrupted. Crawl #{crawl.number} of “#{crawl.site.name}” is kept as far as it came; it can be judged " \
            "in the application.",
            Ending::COULD_NOT
          )
        ensure
          processes&.end_all
          Work::Runtime::Queue.clear(crawl.queue)
        end

        def heed_signals
          before = %w[INT TERM].to_h { |signal| [signal, trap(signal) { @signal = signal }] }
          yield
        ensure
          before.each { |signal, handler| trap(signal, handler) }
        end

        def finish(crawl)
          summary = write(crawl)
          refuse_silence(crawl)
          warn "#{summary["urls"]} URLs, #{summary["fetched"]} fetched, #{summary["faults"].values.sum} faults; " \
            "written to #{@options["out"]}"
          told = [Work::Crawling::HowEnded.explain(crawl), *Store::Crawling::TrapsMet.of(crawl)]
          told.compact.each { |one| warn one }
          failing?(summary) ? Ending::FAULTS_FOUND : Ending::DONE
        end

        # Where the disk is full the crawl isn't lost.
        def write(crawl)
          @files.call
        rescue SystemCallError => error
          raise Ending.new(
            "The files could not be written to #{@options["out"]}: #{error.message}.\nThe crawl is kept. Make room, " \
            "then write its tables with: " \
              "bin/trellis export --site \"#{crawl.site.name}\" --crawl #{crawl.number} --what urls --format jsonl " \
              "--out FILE (and --what links, --what faults)",
            Ending::COULD_NOT
          )
        end

        # Where no start URL could be had there is nothing to judge, and a pipeline must see that.
        def refuse_silence(crawl)
          failures = Store::Crawling::StartFailures.of(crawl)
          return unless failures.size == crawl.crawl_settings.first_urls.size

          raise Ending.new(
            failures.map { |one| "#{one[:url]} could not be crawled: #{one[:reason]}." }.join("\n"),
            Ending::COULD_NOT
          )
        end

        def failing?(summary)
          return false unless @options["fail_on"]

          grades = Core::Faults::Rule::GRADES
          bad = grades.first(grades.index(@options["fail_on"]) + 1)
          summary["faults"].keys.any? { |code| bad.include?(Core::Faults::Registry.fetch(code).grade) }
        end
      end
    end
  end
end
