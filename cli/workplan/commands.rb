# frozen_string_literal: true

module IronTrellis
  module Cli
    module Workplan
      # What bin/trellis says of fixes: what is to be done, when, and whether it is.
      class Commands < Cli::Commands
        desc "plan FILE.json", "Lay out fixes so that the largest benefit comes earliest"
        long_desc <<~TEXT
          Reads start, owners, freezes and fixes as JSON and prints the plan as JSON: when each fix begins and is done,
          the sum of benefit x finish and what it can't fall below, what is late and why, and what can't be placed.
        TEXT
        option :seconds, type: :numeric, default: Core::Workplan::Scheduler::SECONDS,
          desc: "How long to look for a better plan"
        # @return [Integer] exit code
        def plan(path)
          Plan.new(path, options).call
        end

        desc "fixes", "Write what is to be done about a site, gathered so that one person can do each in one go"
        option :site, required: true, banner: "NAME"
        option :state, type: :string, repeatable: true, banner: "STATE", desc: "Only those that stand so"
        option :out, required: true, banner: "FILE.jsonl"
        # @return [Integer] exit code
        def fixes
          Fixes.new(options).call
        end

        desc "schedule", "Lay the fixes of a site out in time"
        long_desc <<~TEXT
          Lays out what is to be done so that the largest benefit comes earliest, and prints the plan as JSON, or writes
          it as a calendar (.ics) or a table (.csv, .xlsx). An owner that is named stays the site's.
        TEXT
        option :site, required: true, banner: "NAME"
        option :start, required: true, banner: "YYYY-MM-DD", desc: "The first day, which counts"
        option :owner, type: :string, repeatable: true, banner: '"NAME=HOURS_A_DAY[:ROLE,ROLE]"',
          desc: "Who works, how long, and at whose work: developer, editor, auditor (default: all)"
        option :out, banner: "FILE.ics|csv|xlsx|json"
        # @return [Integer] exit code
        def schedule
          Schedule.new(options).call
        end

        desc "claim FIX_ID...", "Say of fixes that they are done"
        option :site, required: true, banner: "NAME"
        # @return [Integer] exit code
        def claim(*ids)
          Claim.new(ids, options).call
        end

        desc "prove [FIX_ID...]", "Look live whether what fixes were for holds now"
        long_desc <<~TEXT
          Fetches what each fix is about, past caches and at the site's speed: the fixes that are named, else all that
          are claimed. The state of each becomes what was found.
        TEXT
        option :site, required: true, banner: "NAME"
        option :json, **JSON_OPTION
        # @return [Integer] exit code
        def prove(*ids)
          Prove.new(ids, options).call
        end

        desc "report", "Write for the person who pays what was wrong, done, freed, is left and comes next"
        option :site, required: true, banner: "NAME"
        option :from, type: :numeric, banner: "CRAWL_NUMBER", desc: "From which crawl (default: the first whole one)"
        option :out, required: true, banner: "FILE.pdf|html|xlsx"
        # @return [Integer] exit code
        def report
          Report.new(options).call
        end
      end
    end
  end
end
