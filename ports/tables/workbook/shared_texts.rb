# frozen_string_literal: true

require "nokogiri"

module IronTrellis
  module Ports
    module Tables
      class Workbook
        # Roo holds the texts that cells share three times over as a tree; here they are read one after the other.
        module SharedTexts
          # As spreadsheets write a line break within a text (ISO/IEC 29500, part 1, 22.9.2.19).
          BREAK = "_x000D_"

          # Gathers what stands in t of si, but not in the reading aid that Japanese texts have (rPh).
          class Gathering < Nokogiri::XML::SAX::Document
            attr_reader :texts

            def initialize
              super
              @texts = []
              @text = nil
              @within = []
            end

            def start_element_namespace(name, *)
              @text = +"" if name == "si"
              @within.push(name)
            end

            def characters(string)
              @text << string if @text && @within.last == "t" && !@within.include?("rPh")
            end
            alias_method :cdata_block, :characters

            def end_element_namespace(name, *)
              @within.pop
              @texts << @text.gsub(BREAK, "\n") if name == "si"
            end

            def error(message) = raise(Nokogiri::XML::SyntaxError.new(message))
          end

          private

          # @return [Array<String>]
          def extract_shared_strings
            return [] unless doc_exists?

            gathering = Gathering.new
            ::File.open(@path, "rb") { |file| Nokogiri::XML::SAX::Parser.new(gathering).parse(file) }
            gathering.texts
          end
        end
      end
    end
  end
end
