# frozen_string_literal: true

require "time"

module IronTrellis
  module Work
    module Workplan
      # The fixes of a site as lists tell them.
      class Listing
        # What the screen's rows leave to the sheet of one.
        LONG = %w[faults urls settles].freeze
        COUNTS = %w[fault_count url_count settled_count].freeze
        UNLISTED = %w[history proof notes].freeze

        # @param site [Store::Sites::Site]
        def initialize(site)
          @site = site
        end

        # @param states [Array<String>, nil] nil for all
        # @return [Array<Hash{String => Object}>] by benefit an hour, then by number, each with the texts to apply and
        #   the conditions that must hold
        def call(states = nil)
          fixes = Store::Workplan::Fix.in_order(@site)
          fixes = fixes.where(state: states) if states
          whole(fixes.to_a)
        end

        # @param state [String, nil] nil for those that are to be done
        # @return [Array<Hash{String => Object}>] without what is long, with why and how many faults and URLs each has
        def brief(state)
          states = state || Core::Workplan::States::ALL - Core::Workplan::States::SETTLED
          columns = Store::Workplan::Fix.column_names - LONG - UNLISTED
          counts = LONG.zip(COUNTS).map { |column, count| "jsonb_array_length(#{column}) AS #{count}" }
          Store::Workplan::Fix
            .in_order(@site)
            .where(state: states)
            .select(*columns, *counts)
            .map { |fix| fix.brief(settled).merge(fix.slice("reason", *COUNTS)) }
        end

        # @param fix [Store::Workplan::Fix]
        # @return [Hash{String => Object}] all of it
        def one(fix) =
          whole([fix]).first.merge(
            "reason" => fix.reason,
            "history" => fix.history,
            "proof" => fix.proof,
            "notes" => fix.notes,
            "locked_start" => fix.locked_start&.iso8601,
            "own_after" => fix.own_after.map { |number| Store::Workplan::Fix.name_of(number) },
            "hand_made" => fix.hand_made,
            "set_aside" =>
              Store::Workplan::SetAsideFault.where(site_id: @site.id, fix_number: fix.number).order(:id).map(&:view)
          )

        private

        def whole(fixes)
          run = @site.newest_verdicts
          remedies = RemediesOfSite.for(run, fixes.flat_map(&:faults))
          texts = Texts.new(run, remedies)
          conditions = Core::Proofs::Conditions.new(remedies)
          fixes.map do |fix|
            fix.export_row(settled).merge(
              "text" => texts.of(fix),
              "conditions" => conditions.call(fix.kind, fix.standing).map(&:as_json),
              **(fix.lapse ? {"notes" => [fix.lapse]} : {})
            )
          end
        end

        def settled =
          @settled ||=
            Store::Workplan::Fix
              .of(@site)
              .where(state: Core::Workplan::States::SETTLED)
              .pluck(:number)
              .to_h { |number| [number, true] }
      end
    end
  end
end
