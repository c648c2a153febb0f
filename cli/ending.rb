# frozen_string_literal: true

module IronTrellis
  module Cli
    # How commands end: the codes, and the error of one that can't be done, which carries its code.
    class Ending < Core::Error
      DONE = 0
      FAULTS_FOUND = 1
      WRONG_USAGE = 2
      COULD_NOT = 3

      attr_reader :exit_code

      # @param message [String]
      # @param exit_code [Integer]
      def initialize(message, exit_code)
        super(message)
        @exit_code = exit_code
      end
    end
  end
end
