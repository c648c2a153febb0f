# frozen_string_literal: true

module IronTrellis
  module Cli
    class Root < Workplan::Commands
      # How a command line is run: what goes wrong is told in words that say something to people, and becomes the exit
      # code.
      module Running
        DATABASE = /\A(?:PG|ActiveRecord)::/

        # Runs one command line and gives its exit code.
        #
        # @param arguments [Array<String>]
        # @return [Integer]
        def run(arguments)
          result = start(helped(arguments.map { |one| readable(one) }), debug: true)
          result.is_a?(Integer) ? result : Ending::DONE
        rescue Thor::Error => error
          complain(error, arguments, Ending::WRONG_USAGE)
        rescue Ending => error
          complain(error, arguments, error.exit_code)
        rescue Core::Error::InvalidInput => error
          complain(error, arguments, Ending::WRONG_USAGE)
        rescue Core::Error => error
          complain(error, arguments, Ending::COULD_NOT)
        rescue SystemCallError => error
          complain(error, arguments, Ending::COULD_NOT, of_the_system(error))
        rescue => error
          complain(error, arguments, Ending::COULD_NOT, unforeseen(error))
        end

        private

        # Whatever the terminal's locale, arguments are UTF-8 where they can be.
        def readable(argument)
          text = argument.dup.force_encoding(Encoding::UTF_8)
          text.valid_encoding? ? text : argument
        end

        def complain(error, arguments, code, message = error.message)
          warn message
          warn error.full_message(highlight: false) if arguments.include?("--debug")
          code
        end

        # Which call of the system it was says nothing to people.
        def of_the_system(error)
          what, file = error.message.split(" @ ", 2)
          file ? "#{file.sub(/\A\w+ - /, "")}: #{what.downcase}." : error.message
        end

        # What SQL and classes are called says nothing to people.
        def unforeseen(error)
          what = DATABASE.match?(error.class.name) ? "The database refused it" : "Something in the program went wrong"
          "#{what}, and nothing was done by half. Run the same with --debug to see where, and tell its makers."
        end
      end
    end
  end
end
