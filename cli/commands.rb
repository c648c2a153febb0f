# frozen_string_literal: true

require "thor"

module IronTrellis
  module Cli
    # What all commands have in common.
    class Commands < Thor
      JSON_OPTION = {type: :boolean, default: false, desc: "Print one JSON value instead of a table"}.freeze

      class_option :debug, type: :boolean, default: false, desc: "Show where in the program an error arose"

      def self.exit_on_failure? = true
    end
  end
end
