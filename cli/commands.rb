# frozen_string_literal: true

require "thor"

module IronTrellis
  module Cli
    # What all commands have in common.
    class Commands < Thor
      Thor::Options.prepend(Options::Strict)
      JSON_OPTION = {type: :boolean, default: false, desc: "Print one JSON value instead of a table"}.freeze
      RESOLVE = {type: :string, repeatable: true, banner: "HOST:PORT:ADDRESS",
                 desc: "Send requests for HOST:PORT to ADDRESS, which may have a port"}.freeze
      ALLOW_PRIVATE = {type: :boolean, default: false, desc: "Allow private and loopback addresses"}.freeze
      IGNORE_ROBOTS = {type: :boolean, default: false, desc: "Fetch what robots.txt disallows, too"}.freeze
      HELP = %w[--help -h].freeze

      class_option :debug, type: :boolean, default: false, desc: "Show where in the program an error arose"
      check_unknown_options!
      # Thor's own, which tells nothing that help doesn't.
      remove_command :tree

      def self.exit_on_failure? = true

      # Asked for help, a command doesn't want its options first.
      #
      # @param arguments [Array<String>] of a command line
      # @return [Array<String>] those that print the help that is meant, or the same
      #   Commands.helped(%w[list --help]) # => ["help", "list"]
      def self.helped(arguments)
        own = arguments.take_while { |one| one != "--" }
        return arguments unless own.intersect?(HELP)

        name, below = own.take_while { |one| !one.start_with?("-") }
        group = subcommand_classes[name]
        group ? [name, "help", *([below] & group.all_commands.keys)] : ["help", *name]
      end
    end
  end
end
