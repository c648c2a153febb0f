# frozen_string_literal: true

module IronTrellis
  module Work
    module Workplan
      class Texts
        # What is to be written anew of each page, beside what stands there; what follows from the fault is there.
        module Content
          KIND = "content"
          COLUMNS = %w[url element before after].freeze
          DRAFTED = Core::Workplan::Kinds::DRAFTED
          VIEWPORT = '<meta name="viewport" content="width=device-width, initial-scale=1">'

          module_function

          # @param subject [Subject]
          # @param texts [Texts]
          # @return [Hash{String => String}] by name
          def files(subject, texts)
            rows = subject.faults.select { |fault| fault["url"] }.map { |fault| row(fault, texts) }.uniq
            rows = [[subject.place, rows.first[1], nil, rows.first[3]], *rows] if subject.template && rows.any?
            {"texts.csv" => Texts.csv(COLUMNS, rows)}
          end

          def row(fault, texts)
            return drafted(fault) if fault["code"].start_with?(DRAFTED)

            element = Core::Workplan::Kinds.element(fault["code"])
            [fault["url"], element, before(element, fault, texts), after(element)]
          end

          def drafted(fault) =
            [fault["url"], fault["code"].delete_prefix(DRAFTED), *Core::Proofs::Checks::Drafted.texts(fault["about"])]

          def before(element, fault, texts)
            page = texts.remedies.row(fault["url"])
            case element
            when "title" then page&.title
            when "description" then page&.description
            when "h1" then page&.h1&.first
            when "alt" then "#{fault["about"]} #{texts.written.alt(fault["url"], fault["about"])}".strip
            else fault["about"]
            end
          end

          def after(element) = (VIEWPORT if element == "viewport")
          private_class_method :row, :drafted, :before, :after
        end
      end
    end
  end
end
