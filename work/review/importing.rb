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
          read = []
          rows.each { |row, line| read << [row, line] unless row["decision"].empty? }
          known = known(site, read.map { |row, _| row["url"] })
          by_note = Hash.new { |all, note| all[note] = [] }
          read.each { |row, line| take(row, line, rows, by_note, known) }
          ids =
            by_note.flat_map do |note, values|
              Decisions::Decide.decide(site, "review", values, by: by, now: now, note: note)
            end
          {ids: ids, read: by_note.values.sum(&:size), bad: rows.bad.map(&:to_h)}
        end

        # Of these, pages that the newest crawl or evidence knows.
        def known(site, urls)
          forms = urls.filter_map { |url| Core::Url::NormalForm.parse?(url)&.to_s }
          Store::Ledger::Lookup.new(site.newest_verdicts).known(forms)
        end

        def take(row, line, rows, by_note, known)
          value = {"fate" => fate(row["decision"]), "target" => row["target"]}
          subject, = Core::Decisions::Registry.read("review", row["url"], value)
          return rows.refuse(line, "#{subject} is no page that is known of this site") unless known.key?(subject)

          by_note[row["note"].empty? ? nil : row["note"]] << {"subject" => row["url"], "value" => value}
        rescue Core::Error::InvalidInput => error
          rows.refuse(line, error.message)
        end

        # As files name it, or as screens do.
        def fate(text)
          word = text.strip.downcase
          Core::Decisions::Kinds::Review::LABELS.key(word) || word
        end
        private_class_method :known, :take, :fate
      end
    end
  end
end
