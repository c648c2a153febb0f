# frozen_string_literal: true

require "date"
require "digest"
require "time"

module IronTrellis
  module Work
    module Evidence
      # Brings a file of evidence: what can be read is kept, the rest is told by its lines. All of it is taken over in
      # one step, so that an import that is interrupted leaves nothing behind.
      class Importing
        # Exports are cut at such numbers of rows: one of exactly so many is taken as a sample until told otherwise.
        CUT = [1_000, 50_000].freeze
        PORTION = 5_000
        # So many rows that can't be used are told one by one; all are counted.
        MOST_TOLD = 1_000
        MOST_HOSTS = 50
        # Where a source is at home it may be tomorrow already.
        AHEAD = 1

        # What the person says of the file: `columns` is a heading by field, `words` a state by the source's own word,
        # `whole` true or false, nil where nothing is said.
        Told = Struct.new(:kind, :index, :date, :columns, :words, :whole, :name, :by, keyword_init: true)

        # @param site [Store::Sites::Site]
        # @param source [String, #headings] the path of a file, or a table
        # @param told [Told]
        # @param now [Time]
        # @raise [Core::Error::InvalidInput]
        def initialize(site, source, told, now:)
          @site = site
          @source = source
          @told = told
          @now = now
          @reading = site.evidence_reading
          @today = @reading.today(now)
          @kind = Core::Evidence::Registry.fetch(told.kind)
          @scope = site.crawl_settings.scope
          @counts = {"rows" => 0, "out_of_scope" => 0, "wrong_count" => 0}
          @wrong = []
          @hosts = Hash.new(0)
          check
        end

        # @yieldparam rows [Integer] how many were read, now and then
        # @return [Hash{String => Object}] what came of it
        # @raise [Core::Evidence::Headings::Unknown] where needed fields can't be found
        # @raise [Core::Error::InvalidInput]
        def call(&progress)
          opened do |table|
            @index = (Store::Evidence::Index.named(@site, @told.index) if @kind.of_index)
            read(table, row_of(table), &progress)
          end
          taken_over
        ensure
          @staged&.drop
        end

        # @return [Boolean] whether it was taken as a sample since it may have been cut
        def cut? = @told.whole.nil? && CUT.include?(@counts["rows"])

        private

        def opened(&block) =
          @source.respond_to?(:headings) ? yield(@source) : Ports::Tables::UploadedTable.open(@source, &block)

        def row_of(table)
          columns, words = mapping
          headings = Core::Evidence::Headings.new(@kind, table.headings, columns)
          @staged = Staged.new(@site, @kind, @now)
          Core::Evidence::Row.new(
            @kind,
            headings.places,
            others: headings.others,
            words: words,
            order: @reading.fetch("date_order")
          )
        end

        def check
          if @told.date && @told.date > @today
            raise Core::Error::InvalidInput.new("The date #{@told.date} is after today.")
          end

          Store::Evidence::Index.check_name(@told.index) if @told.index
          unknown = @told.words.values - Core::Evidence::Standing::STATES
          if unknown.any?
            raise Core::Error::InvalidInput.new(
                    "There is no standing “#{unknown.first}”; use one of " \
                    "#{Core::Evidence::Standing::STATES.join(", ")}."
                  )
          end
          field = (@told.columns.keys - @kind.names).first or return
          raise Core::Error::InvalidInput.new(
                  "There is no field “#{field}” of #{@kind.code}; use one of #{@kind.names.join(", ")}."
                )
        end

        # What was told before is used again.
        def mapping
          known = (@kind.of_index && @index.nil?) ? [{}, {}] : Store::Evidence::Mapping.of(@site, @index, @kind.code)
          told = [@told.columns, @told.words.transform_keys { |word| word.strip.downcase }]
          @mapping = known.zip(told).map { |before, now| before.merge(now) }
        end

        # A file that can't be used leaves neither an index nor a mapping behind.
        def keep_source
          @index = Store::Evidence::Index.named_or_made(@site, @told.index, now: @now) if @kind.of_index
          Store::Evidence::Mapping.keep(@site, @index, @kind.code, *@mapping)
        end

        def read(table, row)
          table.each do |cells, line, why|
            next if cells&.all? { |cell| cell.nil? || cell.strip.empty? }

            @counts["rows"] += 1
            yield @counts["rows"] if block_given? && (@counts["rows"] % PORTION).zero?
            next refuse(line, why) if why

            take(row, cells, line)
          end
          @staged.flush
        end

        def take(row, cells, line)
          read = row.read(cells)
          return elsewhere(read.url) unless @scope.host?(read.url)

          date = read.values["date"]
          return refuse(line, future(date)) if date && date > @today + AHEAD

          @staged.add(read, line)
        rescue Core::Evidence::Row::Wrong => error
          refuse(line, error.message)
        end

        def refuse(line, why)
          @counts["wrong_count"] += 1
          @wrong << {"line" => line, "why" => why} if @wrong.size < MOST_TOLD
        end

        def future(date) =
          "the date #{date} is after today; the site reads days and months in the order #{@reading.fetch("date_order")}"

        def elsewhere(url)
          @counts["out_of_scope"] += 1
          host = url[%r{\Ahttps?://(?:[^/@]*@)?([^/]+)}, 1]
          @hosts[host] += 1 if @hosts.key?(host) || @hosts.size < MOST_HOSTS
        end

        def day = @told.date || (@kind.dated && @staged.days.first) || @today

        def taken_over
          ActiveRecord::Base.transaction do
            keep_source
            import = begin_import
            outcome = @staged.take_over(import, day)
            # What a headings-only file says is nothing.
            Store::Evidence::Days.put(import, outcome["days"], whole: whole?, told: !@told.whole.nil?)
            result(import, outcome).tap { |result| import.update!(result: result, whole: result["whole"]) }
          end
        end

        def begin_import
          Store::Evidence::Import.create!(
            site: @site,
            index: @index,
            kind: @kind.code,
            name: @told.name,
            date: day,
            made_by: @told.by,
            made_at: @now
          )
        end

        def whole? = @told.whole.nil? ? !cut? : @told.whole

        def result(import, outcome)
          date = @told.date || outcome["days"].map { |one| Date.iso8601(one) }.max || day
          {
            "kind" => @kind.code,
            "index" => @index&.name,
            "date" => date.iso8601,
            "rows" => @counts["rows"],
            **outcome.slice(*Store::Evidence::Staging::OUTCOMES),
            "out_of_scope" => @counts["out_of_scope"],
            "not_crawled" => @staged.not_crawled(@site.newest_crawl),
            "whole" => state_of(import, date),
            "wrong" => @wrong,
            "wrong_count" => @counts["wrong_count"],
            "other_hosts" => @hosts.sort_by { |host, rows| [-rows, host] }.to_h
          }
        end

        def state_of(import, date)
          whole = Store::Evidence::Days.whole?(@site, @kind.code, import.index_id, date)
          whole.nil? ? whole? : whole
        end
      end
    end
  end
end
