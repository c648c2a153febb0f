# frozen_string_literal: true

module IronTrellis
  module Core
    # The root of all errors of ours. Each carries a stable code and a message for people that says what
    # happened, to what, and what to do; `data` holds the values concerned. The subclasses tell what the
    # caller can do about it.
    class Error < StandardError
      attr_reader :data

      # @param message [String] what happened, to what, what to do
      # @param data [Hash] the values concerned
      def initialize(message, **data)
        super(message)
        @data = data
      end

      # @return [String] a stable word for programs, e.g. "invalid-input"
      def code = self.class.name.split("::").last.gsub(/([a-z])([A-Z])/, '\1-\2').downcase

      # What was given can't be understood: say it differently.
      class InvalidInput < Error; end

      # What was asked for isn't there.
      class NotFound < Error; end

      # It can't be done in the present state; later or after another step it can.
      class Conflict < Error; end

      # It would take longer than anybody should wait: ask for less.
      class TooMuch < Error; end

      # Who asked for it doesn't want it any more.
      class Cancelled < Error; end

      # Nobody is signed in, or the credentials are wrong.
      class NotSignedIn < Error; end
    end
  end
end
