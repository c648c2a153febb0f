# frozen_string_literal: true

require "json"

module IronTrellis
  module Cli
    module Desk
      # The command terms: the terms of one page, against rivals where some are given.
      class Terms
        SHOWN = 30
        ELEMENTS = Core::Desk::Page::ELEMENTS

        # @param source [String] a file or a web address
        # @param options [Hash] rival, phrase, json
        def initialize(source, options)
          @source = source
          @options = options
        end

        # @return [Integer] exit code
        def call
          page, *rivals = pages
          against = Core::Desk::Rivals.new(rivals, language: page.language)
          @fit = Core::Desk::Fit.new(page, phrases: @options["phrase"] || [], rivals: against)
          @options["json"] ? puts(JSON.generate(told(page, against))) : print_tables(page, against)
          Root::DONE
        end

        private

        # A host that is named on the command line may be a private one.
        def pages =
          Work::Desk::PagesRead.new(Work::Crawling::OneFetch.anywhere).call([@source, *@options["rival"]]) do |path|
            InputFile.read(path)
          end

        def told(page, rivals) =
          {
            "words" => page.words,
            "terms" => @fit.terms.map { |one| term(one) },
            "rivals" => rivals.told,
            "checks" => @fit.checks.map(&:told),
            "fit" => @fit.call
          }

        def term(one) =
          {
            "term" => one.term,
            "size" => one.size,
            "counts" => ELEMENTS.to_h { |element| [element, one.counts[element]] },
            "share" => one.share
          }

        def print_tables(page, rivals)
          puts "#{page.words} words, #{rivals.size} rivals, fit #{@fit.call} of 100", ""
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
