# frozen_string_literal: true

module IronTrellis
  module Work
    module Desk
      # What somebody gives for a page at the desk: phrases, and rivals by address or as files.
      module SheetInput
        MOST_RIVALS = 12
        MOST_PHRASES = 10
        MOST_PHRASE = 120
        FILE = "file:"

        module_function

        # @param values [Object]
        # @return [Array<String>] each once
        # @raise [Core::Error::InvalidInput]
        def phrases(values)
          fine = values.is_a?(Array) && values.size <= MOST_PHRASES && values.all? { |one| phrase?(one) }
          wrong("Give at most #{MOST_PHRASES} phrases, each of at most #{MOST_PHRASE} characters.") unless fine
          values.map(&:strip).uniq
        end

        # @param values [Object]
        # @return [Array<String>] addresses in their normal form and names of files, each once
        # @raise [Core::Error::InvalidInput]
        def rivals(values)
          fine = values.is_a?(Array) && values.size <= MOST_RIVALS && values.all?(String)
          wrong("Give at most #{MOST_RIVALS} rivals.") unless fine
          values.map { |one| one.start_with?(FILE) ? one : Core::Url::NormalForm.parse(one).to_s }.uniq
        rescue Core::Url::NormalForm::Malformed => error
          wrong(error.message)
        end

        def phrase?(text) = text.is_a?(String) && !text.strip.empty? && text.size <= MOST_PHRASE

        def wrong(message) = raise(Core::Error::InvalidInput.new(message))
        private_class_method :phrase?, :wrong
      end
    end
  end
end
