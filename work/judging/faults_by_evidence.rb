# frozen_string_literal: true

module IronTrellis
  module Work
    module Judging
      # Runs the rules that hold what indexes say against what the crawl saw.
      class FaultsByEvidence
        # @param basis [Core::Evidence::Basis]
        # @param least [Integer] impressions of a query that is looked at
        def initialize(basis, least)
          @basis = basis
          @least = least
        end

        # @param rows [Store::Evidence::EvidentRows]
        # @yieldparam url_id [Integer]
        # @yieldparam page [Core::Faults::Subject]
        # @return [void]
        def pages(rows)
          rows.each(@basis, @least) do |some|
            tell_missing_words(some, rows)
            yield some.map { |row| [row["url_id"], Core::Faults::Subject.of(row)] }
          end
        end

        # @param rows [Store::Evidence::EvidentRows]
        # @return [Array<Core::Faults::GroupRule::Group>]
        def groups(rows) = rows.groups.map { |row| Core::Faults::GroupRule::Group.new(**row.transform_keys(&:to_sym)) }

        private

        # Only of pages that should be indexed and are found for something: texts are large.
        def tell_missing_words(some, rows)
          asked = some.select { |row| row["wanted"] && row["queries"] }
          texts = rows.texts(asked.map { |row| row["url_id"] })
          asked.each do |row|
            text = texts[row["url_id"]] or next
            words = Core::Content::Vocabulary.for(row["lang"])
            said = words.stems(text)
            row["queries"].each { |one| one["missing"] = words.missing(one["query"], said) }
          end
        end
      end
    end
  end
end
