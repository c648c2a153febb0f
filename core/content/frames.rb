# frozen_string_literal: true

module IronTrellis
  module Core
    module Content
      # Where in the lines of a text something else stands than its main text.
      module Frames
        module_function

        # @param text [String] lines, among them the mark wherever main text ends or begins again
        # @param mark [String]
        # @return [Array(String, Array<Integer>)] the text without the marks, and the numbers of lines, from and to (not
        #   included) by turns
        #   Frames.part("*\nMenu\n*\nLamps\n*\nImprint", "*") # => ["Menu\nLamps\nImprint", [0, 1, 2, 3]]
        def part(text, mark)
          return [text, []] unless text.include?(mark)

          kept, turns = [], []
          text.split("\n").each { |line| (line == mark) ? turns << kept.size : kept << line }
          turns << kept.size if turns.size.odd?
          [kept.join("\n"), turns.each_slice(2).reject { |from, to| from == to }.flatten]
        end
      end
    end
  end
end
