# frozen_string_literal: true

module IronTrellis
  module Core
    module Proofs
      # What all that was found of a fix's conditions comes to.
      class Verdict
        States = Workplan::States

        attr_reader :found

        # @param found [Array<Found>]
        def initialize(found)
          @found = found
        end

        # @return [Array<Found>]
        def met = @found.select(&:met)

        # @return [Array<Found>]
        def unmet = @found.select { |one| one.met == false }

        # @return [Array<Found>] what only the next whole crawl can tell
        def untold = @found.select { |one| one.met.nil? }

        # @return [String] of Workplan::States; a fix with something that can't be told yet stays claimed while all else
        #   is met
        # @example
        #   Verdict.new([]).state # => "claimed"
        def state
          return States::PARTLY if unmet.any? && met.any?
          return States::NOT_DONE if unmet.any?

          (untold.any? || @found.empty?) ? States::CLAIMED : States::PROVED
        end

        # @return [Array<String>] what is worth saying besides
        def notes = @found.select(&:cached).map { |one| "#{one.condition.url}: a cache answers otherwise" }.uniq

        # @param id [String] of the fix
        # @param state [String] in which it is now
        # @return [Hash{String => Object}] as `bin/trellis prove` prints it
        def report(id, state)
          told = {
            "id" => id,
            "state" => state,
            "checked" => met.size + unmet.size,
            "met" => met.size,
            "unmet" => unmet.map(&:as_json)
          }
          notes.empty? ? told : told.merge("notes" => notes)
        end
      end
    end
  end
end
