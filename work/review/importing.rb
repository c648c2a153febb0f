# frozen_string_literal: true

module IronTrellis
  module Work
    module Review
      # Takes over decisions that were edited in an export: by its columns url, decision, target and note.
      module Importing
        COLUMNS = %w[url decision].freeze
        OPTIONAL = %w[target note].freeze

        module_function

        # @param site [Store::Sites::Site]
        # @param file [IO]
        # @param by [String]
        # @param now [Time]
        # @return [Hash] ids of the decisions, read (rows with one), bad (line and why)
        # @raise [Core::Error::InvalidInput]
        def call(site, file, by:, now:)
          rows = Ports::Tables::CsvRows.new(file, COLUMNS, optional: OPTIONAL)
          by_note = Hash.new { |all, note| all[note] = [] }
          rows.each { |row, line| take(row, line, rows, by_note) }
          ids =
            by_note.flat_map do |note, values|
              Decisions::Deciding.decide(site, "review", values, by: by, now: now, note: note)
            end
          {ids: ids, read: by_note.values.sum(&:size), bad: rows.bad.map(&:to_h)}
        end

        def take(row, line, rows, by_note)
          return if row["decision"].empty?

          value = {"fate" => row["decision"], "target" => row["target"]}
          Core::Decisions::Registry.read("review", row["url"], value)
          by_note[row["note"].empty? ? nil : row["note"]] << {"subject" => row["url"], "value" => value}
        rescue Core::Error::InvalidInput => error
          rows.refuse(line, error.message)
        end
        private_class_method :take
      end
    end
  end
end
