# frozen_string_literal: true

require "date"
require "json"
require "time"

module IronTrellis
  module Cli
    module Evidence
      # The command evidence import.
      class Import
        # @param path [String]
        # @param options [Hash] of the command line
        def initialize(path, options)
          @path = path
          @options = options
        end

        # @return [Integer] exit code
        def call
          given = options
          InputFile.check(@path)
          Store::Postgres::Database.prepare
          site = Sites::Named.named(@options["site"])
          importing = Work::Evidence::Importing.new(site, @path, given, now: Time.now)
          result = importing.call { |rows| warn "#{rows} rows read" if (rows % 100_000).zero? }
          warn cut(result) if importing.cut?
          Judged.again(site) if changed?(result)
          @options["json"] ? puts(JSON.generate(result)) : print_table(result)
          Ending::DONE
        end

        private

        def options
          if @options["sample"] && @options["whole"]
            raise Core::Error::InvalidInput.new(
                    "Evidence is either whole or a sample: use one of --sample and --whole."
                  )
          end

          Work::Evidence::Importing::Told.new(
            kind: @options["kind"],
            index: @options["index"],
            date: date,
            columns: pairs("column", "FIELD=HEADING").to_h,
            words: pairs("value", "STATE=TEXT").to_h(&:reverse),
            whole: (@options["whole"] if @options["whole"] || @options["sample"]),
            name: File.basename(@path)
          )
        end

        def date
          text = @options["date"] or return nil
          raise Date::Error unless text.match?(/\A\d{4}-\d\d-\d\d\z/)

          Date.iso8601(text)
        rescue Date::Error
          raise Core::Error::InvalidInput.new("“#{text}” is no date. Write it like 2026-05-31.")
        end

        # A state may be written in several ways, a field has one heading.
        def pairs(option, form)
          Array(@options[option]).map do |text|
            name, value = text.split("=", 2)
            raise Core::Error::InvalidInput.new("“#{text}” isn't of the form #{form}.") if value.to_s.strip.empty?

            [name.strip, value.strip]
          end
        end

        def changed?(result) =
          (result["kept"] + result["replaced"]).positive? || @options["whole"] || @options["sample"]

        def cut(result)
          "The file has exactly #{result["rows"]} rows: it may have been cut, and is taken as a sample. Say " \
            "--whole if it wasn't."
        end

        def print_table(result)
          Printed.table(
            %w[kind index date rows kept unchanged replaced out_of_scope not_crawled whole wrong],
            [
              result.values_at(
                "kind",
                "index",
                "date",
                "rows",
                "kept",
                "unchanged",
                "replaced",
                "out_of_scope",
                "not_crawled",
                "whole",
                "wrong_count"
              )
            ]
          )
          result["other_hosts"].each { |host, rows| puts "Evidence for another host: #{host} has #{rows} rows" }
          result["wrong"].each { |one| puts "Line #{one["line"]}: #{one["why"]}" }
        end
      end
    end
  end
end
