# frozen_string_literal: true

module IronTrellis
  module Ports
    # Redirect maps in the formats that servers and people take: those that the files in maps/ hold, each with its NAME,
    # LABEL, PLACE in lists, ENDING of files, TYPE, whether it takes only WHOLE_ADDRESSES, .write where it can't hold
    # all, .unfit(route), and where it can be brought back, .read.
    module Redirects
      module_function

      # @return [Hash{String => Module}] by name
      def formats = @formats ||= FormatRegistry.in(Maps)

      # @param name [String] apache, nginx, csv or json
      # @return [#write] with a TYPE
      # @raise [Core::Error::InvalidInput]
      def writer(name) = formats.fetch(name) { unknown(name, formats.keys) }

      # @param name [String] of a format
      # @param routes [Array<Core::Redirects::Route>]
      # @return [String] the map
      # @raise [Core::Error::InvalidInput] where it can't hold one of them
      def write(name, routes)
        format = writer(name)
        route, why = unfit(format, routes).first
        return format.write(routes) unless route

        raise Core::Error::InvalidInput.new("#{format::LABEL} can't be told of #{route.from[0, 200]}: #{why}.")
      end

      # @param format [Module] of those that there are
      # @param routes [Array<Core::Redirects::Route>]
      # @return [Array<Array(Core::Redirects::Route, String)>] those that it can't hold, and why
      def unfit(format, routes)
        return [] unless format.respond_to?(:unfit)

        routes.filter_map { |route| format.unfit(route)&.then { |why| [route, why] } }
      end

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
