# frozen_string_literal: true

module IronTrellis
  module Ports
    # Redirect maps in the formats that servers and people take.
    module Redirects
      ENDINGS = {"apache" => "conf", "nginx" => "conf", "csv" => "csv", "json" => "json"}.freeze

      module_function

      # @param format [String] apache, nginx, csv or json
      # @return [#write] with a TYPE
      # @raise [Core::Error::InvalidInput]
      def writer(format)
        {
          "apache" => Redirects::Apache,
          "nginx" => Redirects::Nginx,
          "csv" => Redirects::CsvMap,
          "json" => Redirects::JsonMap
        }.fetch(format) { unknown(format, ENDINGS.keys) }
      end

      # @param format [String] csv or json
      # @return [#read]
      # @raise [Core::Error::InvalidInput]
      def reader(format) =
        {"csv" => Redirects::CsvMap, "json" => Redirects::JsonMap}.fetch(format) { unknown(format, %w[csv json]) }

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
