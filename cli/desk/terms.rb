# frozen_string_literal: true

require "json"

module IronTrellis
  module Cli
    module Desk
      # The command terms: the terms of one page, against rivals where some are given.
      class Terms
        SHOWN = 30
        OK = 200
        # As much as a crawl reads of one page.
        MOST_BYTES = Core::Settings::Crawl.defaults.fetch("body_limit")
        ELEMENTS = Core::Desk::Page::ELEMENTS

        # @param source [String] a file or a web address
        # @param options [Hash] of the command line
        def initialize(source, options)
          @source = source
          @options = options
        end

        # @return [Integer] exit code
        def call
          page, *rivals = pages
          against = Core::Desk::Rivals.new(rivals, language: page.language)
          @fit = Core::Desk::Fit.new(page, phrases: @options["phrase"] || [], rivals: against)
          @options["json"] ? puts(JSON.generate(result(page, against))) : print_tables(page, against)
          Ending::DONE
        end

        private

        def pages
          sources = [@source, *@options["rival"]]
          fetch = Work::Crawling::OneFetch.named(
            sources.grep(Work::Desk::PagesRead::WEB),
            resolve: Crawling::Resolved.of(@options["resolve"]),
            allow_private: @options["allow_private"]
          )
          reading = Work::Desk::PagesRead.new(fetch, turns: turns, robots: robots, pages_only: false)
          reading.call(sources) { |path| InputFile.read(path, most: MOST_BYTES) }.each { |page| warn_of(page) }
        end

        # Times are worth something beside each other only.
        def turns = (@options["speed"] || @options["rival"]) ? Work::Desk::PagesRead::TURNS : 1

        def robots =
          Fetch::Robots::Policies.new(Core::Settings::Crawl.defaults.fetch("agent"), ignore: @options["ignore_robots"])

        def warn_of(page)
          return if page.status.nil? || page.status == OK

          warn "#{page.source} answers #{page.status}: its words are counted all the same."
        end

        def result(page, rivals) =
          {
            "words" => page.words,
            "terms" => @fit.terms.map { |one| term(one) },
            "rivals" => rivals.as_json,
            "checks" => @fit.checks.map(&:as_json),
            "fit" => @fit.call,
            **({"status" => page.status} if page.status).to_h
          }

        def term(one) =
          {
            "term" => one.term,
            "size" => one.size,
            "counts" => ELEMENTS.to_h { |element| [element, one.counts[element]] },
            "share" => one.share
          }

        def print_tables(page, rivals)
          fit = @fit.call
          puts "#{page.words} words, #{rivals.size} rivals#{", fit #{fit} of 100" if fit}", ""
          puts "term                            text  share  title  headings"
          @fit.terms.first(SHOWN).each do |one|
            puts format(
              "%-30s %5d %5.1f%% %6d %9d",
              one.term[0, 30],
              one.counts["text"],
              one.share * 100,
              one.counts["title"],
              one.counts["headings"]
            )
          end
          puts "", "check"
          @fit.checks.each do |one|
            puts "#{one.met ? "met    " : "not met"}  #{one.name}: #{one.found} (#{range(one)})"
          end
        end

        def range(one) =
          [("at least #{one.low}" if one.low), ("at most #{one.high}" if one.high)].compact.join(", ")
      end
    end
  end
end
