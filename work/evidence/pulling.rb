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

        # @param index [Store::Evidence::Index] with an address
        # @param now [Time]
        # @param interface [Object, nil] of Ports::Indexes; made of the index's address unless given
        # @param wanted [#call] raises where nobody waits for it any more
        def initialize(index, now:, interface: nil, wanted: -> {})
          @index = index
          @site = index.site
          @now = now
          @interface = interface || self.class.interface(index, wanted: wanted)
        end

        # @param index [Store::Evidence::Index]
        # @param wanted [#call] raises where nobody waits for what it says any more
        # @return [Object] its interface
        # @raise [Core::Error::InvalidInput] where it has none, or lies on this machine's network and may not
        def self.interface(index, wanted: -> {})
          if index.address.to_s.empty?
            raise Core::Error::InvalidInput.new("“#{index.name}” has no interface to be asked.")
          end

          pinned, = Sites::Keeping.check_address(index.address).first
          Ports::Indexes.named(index.interface || Ports::Indexes.interfaces.keys.first).new(
            index.address,
            pinned: pinned,
            wanted: wanted
          )
        end

        # @param by [String, nil]
        # @param done [#call] what else is so once it is told as asked
        # @yieldparam rows [Integer] read so far, now and then
        # @return [Array<Hash>] what came of each import
        # @raise [Ports::Indexes::Unavailable]
        def call(by: nil, done: -> {}, &progress)
          Answers.gathered(@interface, method(:since), &progress).then do |answers|
            ActiveRecord::Base.transaction do
              results = answers.tables.map { |kind, table| taken(kind, table, by, answers.today) }
              rest(answers)
              done.call
              @index.update!(pulled_at: @now, pull_error: nil)
              results
            end
          ensure
            answers.drop
          end
        rescue Ports::Indexes::Unavailable => error
          @index.update!(pull_error: error.message)
          raise
        end

        # The same, and what is judged is judged again by it.
        #
        # @return [Array<Hash>]
        def call_and_judge(by: nil, &progress) =
          call(by: by, done: -> { Judging::JudgingQueue.changed(@site, now: @now) }, &progress)

        private

        def taken(kind, table, by, today)
          told =
            Importing::Told.new(
              kind: kind,
              index: @index.name,
              date: (kind == Answers::STANDINGS) ? [today, @site.evidence_reading.today(@now)].min : nil,
              columns: {},
              words: {},
              whole: @index.whole,
              name: "pulled from #{@index.name}",
              by: by
            )
          Importing.new(@site, table, told, now: @now).call
        end

        def since(kind, today)
          newest = Store::Evidence::Days.of(@site, kind, @index).first&.fetch("day")
          kept = @site.evidence_reading.windows(today).long.begin
          newest ? [newest - AGAIN_DAYS, kept].max : kept
        end

        def rest(answers)
          rows = Store::Evidence::InterfaceRows.new(@index)
          rows.sitemaps(answers.sitemaps)
          rows.requests(answers.requests)
          rows.hides(answers.hides, @now)
          @index.update!(**answers.status.slice("quota", "hosts").symbolize_keys, ownership: answers.ownership)
        end
      end
    end
  end
end
