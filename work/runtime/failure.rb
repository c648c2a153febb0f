# frozen_string_literal: true

module IronTrellis
  module Work
    module Runtime
      # What went wrong, for people: what SQL and classes are called says nothing to them.
      module Failure
        # By how an error's class and message begin, as the job engine keeps them.
        WORDS = {
          /DiskFull|ENOSPC|No space left/ => "The disk is full. Make room, then try again.",
          /NoMemoryError|OutOfMemory|Cannot allocate memory/ => "There was too little memory for it.",
          /QueryCanceled|statement timeout|LockWaitTimeout/ =>
            "It took the database longer than it may. Try again when less runs.",
          /Deadlock|SerializationFailure|TRDeadlock/ => "Others changed the same data at that moment. Try again.",
          /ConnectionBad|ConnectionFailed|ConnectionNotEstablished|UnableToSend|AdminShutdown|ConnectionTimeout/ =>
            "The database was out of reach. See that it runs (bin/postgres status), then try again.",
          /\A(PG|ActiveRecord)::/ => "The database refused it. The worker's log says why; tell the program's makers.",
          /\AErrno::EACCES|Permission denied/ => "A file or folder may not be used: see who may read and write it."
        }.freeze
        UNFORESEEN = "Something in the program went wrong. The worker's log says where; tell the program's makers."

        module_function

        # @param error [Exception]
        # @return [String]
        def explain(error) = error.is_a?(Core::Error) ? error.message : kept("#{error.class}: #{error.message}")

        # @param text [String] class and message of an error
        # @return [String]
        def kept(text)
          own = text[/\AIronTrellis::[\w:]+: (.*)/m, 1] and return own.lines.first.strip

          WORDS.find { |pattern, _| pattern.match?(text) }&.last || UNFORESEEN
        end
      end
    end
  end
end
