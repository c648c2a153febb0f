# frozen_string_literal: true

module IronTrellis
  module Core
    module Proofs
      module Checks
        # A page says what was drafted for it. What such a fault is about holds the text before and after.
        module Drafted
          TO = "\n=>\n"
          HEADINGS = (1..6).map { |level| "drafted-h#{level}" }.freeze
          ELEMENTS = %w[title description alt text data fact].map { |element| "drafted-#{element}" }.freeze
          CODES = [*ELEMENTS, *HEADINGS].freeze

          module_function

          # @return [Array(Boolean, String)]
          def call(condition, probe)
            page = probe.page(condition.url)
            return [false, page.explain] if page.facts.nil?

            before, after = condition.about.split(TO, 2)
            return data(page.facts, after) if condition.code == "drafted-data"
            return fact(page.facts, before, after) if condition.code == "drafted-fact"

            found = found(condition.code, page.facts, before)
            [said?(condition.code, found, after), shown(found)]
          end

          # @param about [String] of a fault
          # @return [Array(String, String)] the text before and after
          def texts(about) = about.to_s.split(TO, 2)

          def found(code, facts, before)
            case code
            when "drafted-title" then [facts.title].compact
            when "drafted-description" then [facts.description].compact
            when "drafted-alt" then alts(facts, before[/\A\S+/])
            when "drafted-text" then facts.text.to_s.split("\n")
            else facts.outline.select { |level, _| code.end_with?(level.to_s) }.map(&:last)
            end
          end

          # Each item that was written is there, whatever else it has.
          def data(facts, after)
            wanted, = StructuredData::JsonLd.read(after)
            present = facts.data.flat_map(&:all).map { |item| item.to_h[:properties].merge("@" => item.types) }
            held =
              wanted.all? do |item|
                told = item.to_h[:properties].merge("@" => item.types)
                present.any? { |one| told.all? { |name, value| one[name] == value } }
              end
            [held, "it has #{["structured data of", *present.flat_map { |one| one["@"] }.uniq].join(" ")}"]
          end

          # The business is written in one way, in the text as in the data.
          def fact(facts, before, after)
            written = facts.data.flat_map(&:all).flat_map { |item| item.properties.values.flatten.grep(String) }
            said = [facts.text, *written].join("\n")
            old = said.gsub(after, "").include?(before)
            [said.include?(after) && !old, old ? "it writes “#{before}”" : "it doesn't write “#{before}”"]
          end

          def alts(facts, image) =
            facts.links.select { |link| link.type == "image" && link.target == image }.map { |link| link.text.to_s }

          # Of a text each of its lines has to be there.
          def said?(code, found, after)
            return found.include?(after) unless code == "drafted-text"

            lines = found.to_h { |line| [line, true] }
            after.split("\n").map(&:strip).reject(&:empty?).all? { |line| lines.key?(line) }
          end

          def shown(found) = found.empty? ? "nothing" : found.join(" / ")[0, 300]
          private_class_method :data, :fact, :found, :alts, :said?, :shown
        end
      end
    end
  end
end
