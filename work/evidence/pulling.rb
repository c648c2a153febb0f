# frozen_string_literal: true

require "date"
require "time"

module IronTrellis
  module Work
    module Evidence
      # Asks an index for all that it says of a site: standings, the search record since it was asked last, sitemaps,
      # requests, hides, ownership. What can't be had is told with the index, and nothing of it is kept by half.
      class Pulling
        # Late numbers of some days are corrected afterwards.
        AGAIN_DAYS = 3
        RECORD = %w[pages queries].freeze

        # @param index [Store::Evidence::Index] with an address
        # @param now [Time]
        # @param interface [Object, nil] of Ports::Indexes; made of the index's address unless given
        def initialize(index, now:, interface: nil)
          @index = index
          @site = index.site
          @now = now
          @interface = interface || self.class.interface(index)
        end

        # @param index [Store::Evidence::Index]
        # @return [Object] its interface
        # @raise [Core::Error::InvalidInput] where it has none, or lies on this machine's network and may not
        def self.interface(index)
          if index.address.to_s.empty?
            raise Core::Error::InvalidInput.new("“#{index.name}” has no interface to be asked.")
          end

          Sites::Keeping.check_address(index.address)
          Ports::Indexes.named(index.interface || Ports::Indexes.interfaces.keys.first).new(index.address)
        end

        # @param by [String, nil]
        # @param done [#call] what else is so once it is told as asked
        # @yieldparam rows [Integer] read so far, now and then
        # @return [Array<Hash>] what came of each import
        # @raise [Ports::Indexes::Unavailable]
        def call(by: nil, done: -> {}, &progress)
          results = ActiveRecord::Base.transaction { pull(by, &progress) }
          ActiveRecord::Base.transaction do
            done.call
            @index.update!(pulled_at: @now, pull_error: nil)
          end
          results
        rescue Ports::Indexes::Unavailable => error
          @index.update!(pull_error: error.message)
          raise
        end

        # The same, and what is judged is judged again by it.
        #
        # @return [Array<Hash>]
        def call_and_judge(by: nil, &progress) =
          call(by: by, done: -> { Judging::Asking.changed(@site, now: @now) }, &progress)

        private

        def pull(by, &progress)
          status = @interface.status
          today = Date.iso8601(status["today"])
          results = [taken("standings", by, today, &progress)]
          RECORD.each { |kind| results << taken(kind, by, today, &progress) }
          rest(status)
          results
        end

        def taken(kind, by, today, &progress)
          described = Core::Evidence::Registry.fetch(kind)
          table =
            AnsweredTable.new(described) do |take|
              if kind == "standings"
                @interface.standings(&take)
              else
                @interface.record(kind, since(kind, today), today, &take)
              end
            end
          told =
            Importing::Told.new(
              kind: kind,
              index: @index.name,
              date: (kind == "standings") ? [today, @site.evidence_reading.today(@now)].min : nil,
              columns: {},
              words: {},
              whole: @index.whole,
              name: "pulled from #{@index.name}",
              by: by
            )
          Importing.new(@site, table, told, now: @now).call(&progress)
        end

        def since(kind, today)
          newest = Store::Evidence::Days.of(@site, kind, @index).first&.fetch("day")
          kept = @site.evidence_reading.windows(today).long.begin
          newest ? [newest - AGAIN_DAYS, kept].max : kept
        end

        def rest(status)
          rows = Store::Evidence::InterfaceRows.new(@index)
          rows.sitemaps(all(:sitemaps))
          rows.requests(all(:requests))
          rows.hides(all(:hides), @now)
          @index.update!(quota: status["quota"], hosts: status["hosts"], ownership: all(:ownership))
        end

        def all(what)
          found = []
          @interface.public_send(what) { |rows| found.concat(rows) }
          found
        end
      end
    end
  end
end
