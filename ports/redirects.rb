# frozen_string_literal: true

module IronTrellis
  module Ports
    # Redirect maps in the formats that servers and people take: those that the files in maps/ hold, each with its NAME,
    # LABEL, PLACE in lists, ENDING of files, TYPE, whether it takes only WHOLE_ADDRESSES, .write and, where it can be
    # brought back, .read.
    module Redirects
      module_function

      # @return [Hash{String => Module}] by name
      def formats = @formats ||= Held.in(Maps)

      # @param name [String] apache, nginx, csv or json
      # @return [#write] with a TYPE
      # @raise [Core::Error::InvalidInput]
      def writer(name) = formats.fetch(name) { unknown(name, formats.keys) }

      # @param name [String] csv or json
      # @return [#read]
      # @raise [Core::Error::InvalidInput]
      def reader(name)
        read = formats.select { |_, format| format.respond_to?(:read) }
        read.fetch(name) { unknown(name, read.keys) }
      end

      def unknown(format, known) =
        raise(
          Core::Error::InvalidInput.new(
            "There is no format “#{format}” of redirect maps; use one of #{known.join(", ")}."
          )
        )
      private_class_method :unknown
    end
  end
end
