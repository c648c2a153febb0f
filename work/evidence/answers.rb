# frozen_string_literal: true

require "date"
require "time"

module IronTrellis
  module Work
    module Evidence
      # All that an index says, gathered before any of it is kept: while it is asked nothing is locked, and what can't
      # be had leaves nothing behind by half.
      class Answers
        STANDINGS = "standings"
        RECORD = %w[pages queries].freeze
        LISTS = %i[sitemaps requests hides ownership].freeze

        # @return [Hash{String => Object}] name, today, quota, hosts
        attr_reader :status
        # @return [Date] of the index
        attr_reader :today
        # @return [Hash{String => AnsweredTable}] by kind of evidence
        attr_reader :tables
        # @return [Array<Hash>] rows
        attr_reader(*LISTS)

        # @param interface [Object] of Ports::Indexes
        # @param since [#call] gives the first day to ask for, of a kind and today
        # @yieldparam rows [Integer] read so far, page by page
        # @return [Answers]
        # @raise [Ports::Indexes::Unavailable]
        def self.gathered(interface, since, &progress)
          answers = new
          answers.gather(interface, since, &progress)
          answers
        rescue
          answers&.drop
          raise
        end

        # (see .gathered)
        def gather(interface, since, &progress)
          @progress = progress
          @rows = 0
          @tables = {}
          @status = interface.status
          @today = Date.iso8601(@status["today"])
          table(STANDINGS) { |take| interface.standings(&take) }
          RECORD.each { |kind| table(kind) { |take| interface.record(kind, since.call(kind, today), today, &take) } }
          LISTS.each { |name| instance_variable_set("@#{name}", list { |take| interface.public_send(name, &take) }) }
        rescue Date::Error
          raise Ports::Indexes::Unavailable.new("The index tells no day: “#{@status["today"]}”.")
        end

        # @return [void]
        def drop = @tables.each_value(&:drop)

        private

        def table(kind)
          @tables[kind] = AnsweredTable.new(Core::Evidence::Registry.fetch(kind)).tap do |table|
            yield counted { |rows| table.add(rows) }
          end
        end

        def list
          [].tap { |found| yield counted { |rows| found.concat(rows) } }
        end

        def counted
          lambda do |rows|
            @progress&.call(@rows += rows.size)
            yield rows
          end
        end
      end
    end
  end
end
