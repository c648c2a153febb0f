# frozen_string_literal: true

module IronTrellis
  module Api
    module Http
      # Whether what was sent as JSON can be kept: PostgreSQL's texts hold no NUL.
      module Readable
        module_function

        # @param value [Object] as JSON.parse gives it
        # @param place [String] where it stands
        # @return [void]
        # @raise [Core::Settings::Problems] with the field
        def check(value, place = "")
          case value
          when String
            refuse(place) if value.include?("\0") || !value.valid_encoding?
          when Hash
            value.each { |name, one| check(name, place) || check(one, [place, name].reject(&:empty?).join(".")) }
          when Array
            value.each_with_index { |one, number| check(one, "#{place}.#{number}") }
          end
          nil
        end

        def refuse(place) =
          raise(
            Core::Settings::Problems.new(
              [{field: place, message: "This text holds a byte that no text can hold (NUL, or none of UTF-8)."}]
            )
          )
        private_class_method :refuse
      end
    end
  end
end
