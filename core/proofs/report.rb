# frozen_string_literal: true

module IronTrellis
  module Core
    module Proofs
      # What a report tells the person who pays, in sentences made from the data, section by section: what was wrong,
      # what was done, what it freed, what is left, what comes next. No sentence stands without its number.
      class Report
        States = Workplan::States
        # A part of it: its `name` (of SECTIONS), its `title`, `sentences`, and `rows` of a table with their `columns`
        # (none where there is no table).
        Section = Struct.new(:name, :title, :sentences, :columns, :rows, keyword_init: true)
        # What it is made from. `site`, numbers and days of the two crawls (`from`, `now`: {number, day}), wanted pages
        # that stop by rung in each (`stops`: {from, now}), `fixes` ([{id, title, state, benefit, hours, url_count,
        # owner, start, finish}]), faults by title in the first crawl (`causes`: [[title, urls]]) and `today`.
        Data = Struct.new(:site, :from, :now, :stops, :fixes, :causes, :today, keyword_init: true)

        SECTIONS = {
          "wrong" => "What was wrong",
          "done" => "What was done",
          "freed" => "What it freed",
          "left" => "What is left",
          "next" => "What comes next"
        }.freeze
        WRITTEN_BY = {
          "wrong" => :wrong,
          "done" => :done,
          "freed" => :freed,
          "left" => :remaining,
          "next" => :coming
        }.freeze
        FIX_COLUMNS = %w[Fix What State Benefit Hours URLs].freeze
        NEXT_COLUMNS = %w[Fix What Who From To Benefit].freeze
        STOP_COLUMNS = ["Where wanted pages stop", "Then", "Now"].freeze
        DONE = [States::PROVED, States::PARTLY].freeze
        OPEN = [States::OPEN, States::PLANNED, States::HANDED_OVER, States::CLAIMED, States::RETURNED].freeze
        DIGITS = 1
        MOST_NEXT = 20
        MOST_CAUSES = 10

        # @param data [Data]
        def initialize(data)
          @data = data
        end

        # @return [Hash{String => Object}] the numbers that a report must hold
        def numbers
          {
            **States::ALL.to_h { |state| [state, fixes(state).size] },
            "freed" => benefit(fixes(States::PROVED)),
            "freed_in_part" => partly_freed,
            "to_free" => benefit(left),
            "stopped_then" => @data.stops[:from].values.sum,
            "stopped_now" => @data.stops[:now].values.sum
          }
        end

        # @param names [Array<String>] of SECTIONS
        # @return [Array<Section>]
        def sections(names = SECTIONS.keys) =
          SECTIONS.slice(*names).map { |name, title| method(WRITTEN_BY.fetch(name)).call(name, title) }

        # @return [Array<Array(String, Integer, Integer)>] rung by rung, how many wanted pages stopped then and stop now
        def stops =
          Ladder::Climb::NAMES.map do |rung|
            [rung, *@data.stops.values_at(:from, :now).map { |one| one.fetch(rung, 0) }]
          end

        private

        def fixes(*states) = @data.fixes.select { |fix| states.include?(fix[:state]) }

        # Rounded once.
        def benefit(some) = some.sum(0.0) { |fix| fix[:benefit] }.round(DIGITS)

        def left = fixes(*OPEN, States::PARTLY, States::NOT_DONE)

        def partly_freed = fixes(States::PARTLY).sum(0.0) { |fix| fix[:benefit] * fix[:met_share].to_f }.round(DIGITS)

        def wrong(name, title)
          then_, now = @data.from, @data.now
          total = @data.stops[:from].values.sum
          sentences = [
            "Crawl #{then_[:number]} of #{then_[:day]} found #{pages(total)} that should be in the index and " \
              "#{verb(total, "stops", "stop")} on the way there."
          ]
          sentences << "Crawl #{now[:number]} of #{now[:day]} is the newest." if now[:number] != then_[:number]
          section(name, title, sentences, ["What was found", "URLs"], @data.causes.first(MOST_CAUSES))
        end

        def done(name, title)
          proved, partly = fixes(States::PROVED), fixes(States::PARTLY)
          sentences = [
            "#{count(proved.size, "fix is", "fixes are")} proved: looked at again, all that they were for holds.",
            "#{count(partly.size, "fix is", "fixes are")} done in part.",
            "#{count(fixes(States::RETURNED).size, "proved fix", "proved fixes")} came back."
          ]
          lapsed = fixes(States::LAPSED).size
          if lapsed.positive?
            sentences << "#{count(lapsed, "fix", "fixes")} lapsed: the site is as it was, it is judged otherwise."
          end
          section(name, title, sentences, FIX_COLUMNS, table(proved + partly))
        end

        def freed(name, title)
          numbers = self.numbers
          sentences = [
            "What is proved frees a benefit of #{numbers["freed"]} of " \
              "#{benefit(@data.fixes - fixes(States::LAPSED))}: the importance of " \
              "each page, times how gravely it was held up.",
            "Of fixes done in part #{numbers["freed_in_part"]} more is free.",
            "#{pages(numbers["stopped_then"])} that should be in the index stopped then; " \
              "#{pages(numbers["stopped_now"])}" \
              " #{verb(numbers["stopped_now"], "does", "do")} now, by what is wanted today."
          ]
          section(name, title, sentences, STOP_COLUMNS, stops)
        end

        def remaining(name, title)
          not_done = fixes(States::NOT_DONE)
          set_aside = fixes(States::LEFT)
          sentences = [
            "#{count(left.size, "fix is", "fixes are")} left to do, with a benefit of #{benefit(left)} still to free.",
            "#{count(not_done.size, "fix was", "fixes were")} said to be done and " \
              "#{verb(not_done.size, "isn't", "aren't")}.",
            "#{count(set_aside.size, "fix was", "fixes were")} set aside."
          ]
          section(name, title, sentences, FIX_COLUMNS, table(left.sort_by { |fix| [-fix[:benefit], fix[:id]] }))
        end

        def coming(name, title)
          coming, late = left.select { |fix| fix[:finish] }.partition { |fix| fix[:finish] >= @data.today }
          dayless = left.count { |fix| fix[:finish].nil? }
          sentences = [
            "#{count(coming.size, "fix is", "fixes are")} laid out from #{@data.today} on, worth #{benefit(coming)}.",
            "#{count(late.size, "fix is", "fixes are")} late.",
            "#{count(dayless, "fix has", "fixes have")} no day yet."
          ]
          rows =
            coming
              .sort_by { |fix| [fix[:start], fix[:id]] }
              .first(MOST_NEXT)
              .map { |fix| [*fix.values_at(:id, :title, :owner), fix[:start].to_s, fix[:finish].to_s, fix[:benefit]] }
          section(name, title, sentences, NEXT_COLUMNS, rows)
        end

        def table(fixes) = fixes.map { |fix| fix.values_at(:id, :title, :state, :benefit, :hours, :url_count) }

        def section(name, title, sentences, columns, rows) =
          Section.new(name: name, title: title, sentences: sentences, columns: columns, rows: rows)

        def pages(number) = count(number, "page", "pages")

        def count(number, one, many) = "#{number} #{verb(number, one, many)}"

        def verb(number, one, many) = (number == 1) ? one : many
      end
    end
  end
end
