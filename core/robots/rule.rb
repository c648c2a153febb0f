# frozen_string_literal: true

module IronTrellis
  module Core
    module Robots
      # One Allow or Disallow line (RFC 9309 section 2.2.2 and 2.2.3).
      class Rule
        attr_reader :line, :text, :octets

        # @param allow [Boolean]
        # @param path [String] as written, starting with "/" or "*"
        # @param line [Integer] its line number in the file
        # @param text [String] the line as written, for people
        def initialize(allow:, path:, line:, text:)
          @allow = allow
          @line = line
          @text = text
          pattern = Url::Percent.target(path)
          @octets = pattern.bytesize
          @anchored = pattern.end_with?("$")
          @pieces = (@anchored ? pattern.chomp("$") : pattern).split("*", -1).map { |piece| Rule.literally(piece) }
        end

        def allow? = @allow

        # A star or a dollar sign of a path is written in a rule as %2A or %24 (section 2.2.3), so that is how they are
        # compared.
        #
        # @param text [String]
        # @return [String]
        def self.literally(text) = text.match?(/[*$]/) ? text.gsub("*", "%2A").gsub("$", "%24") : text

        # Pieces between the stars are looked for from left to right, which is enough because a star may
        # stand for anything; so a hostile pattern costs no more than the length of the path for each star.
        #
        # @param target [String] path and query with percent-encoding normalised, and as .literally gives it
        # @return [Boolean]
        def match?(target)
          first, *rest = @pieces
          return false unless target.start_with?(first)
          return !@anchored || target.length == first.length if rest.empty?

          position = first.length
          last = rest.pop
          rest.each do |piece|
            found = target.index(piece, position) or return false
            position = found + piece.length
          end
          return !target.index(last, position).nil? unless @anchored

          target.length - last.length >= position && target.end_with?(last)
        end
      end
    end
  end
end
