# frozen_string_literal: true

module IronTrellis
  module Work
    module Workplan
      class Texts
        # Which link leads where now, and where it shall lead; where that is empty it is to be taken out.
        module Links
          KIND = "links"
          COLUMNS = %w[page present wanted anchor place].freeze
          TO_TARGET = /\Alink-to-|\Aoutbound-missing\z/
          ACCEPTED = "accepted-link"
          WANTS_LINKS = %w[orphan few-links-in too-deep].freeze

          module_function

          # @param subject [Subject]
          # @param texts [Texts]
          # @return [Hash{String => String}] by name
          def files(subject, texts)
            rows = subject.faults.flat_map { |fault| rows(fault, texts) }
            {"links.csv" => Texts.csv(COLUMNS, subject.template ? shared(subject, rows) + rows : rows)}
          end

          # What all pages of a template have is told once for it.
          def shared(subject, rows) = rows.map { |row| [subject.place, *row.drop(1)] }.uniq

          def rows(fault, texts)
            url, code = fault.values_at("url", "code")
            return [[url, nil, fault["about"], words(fault, texts), nil]] if code == ACCEPTED
            return [[nil, nil, url, nil, nil]] if WANTS_LINKS.include?(code)
            return [[url, nil, nil, nil, nil]] unless TO_TARGET.match?(code)

            wanted = texts.remedies.link(fault)
            found = texts.written.links(url, fault["about"])
            found = [{}] if found.empty?
            found.map { |link| [url, fault["about"], wanted, link["text"], link["place"]] }
          end

          # In which words it shall stand, as accepted.
          def words(fault, texts)
            decided = texts.memo(:accepted_links) { texts.site.decisions.values("link") }
            (decided.dig(fault["url"], "links") || []).find { |one| one["target"] == fault["about"] }&.fetch("text")
          end
          private_class_method :shared, :rows, :words
        end
      end
    end
  end
end
