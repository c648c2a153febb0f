# frozen_string_literal: true

require "digest"
require "json"

module IronTrellis
  module Core
    module Settings
      # What tells whether two things were judged by the same: the same for equal values, whatever order their keys
      # came in, in every process and after every upgrade of Ruby.
      module Fingerprint
        module_function

        # @param value [Object] of hashes, arrays, texts, numbers, true, false and nil
        # @return [String] 16 hexadecimal digits
        # @example
        #   Fingerprint.of({b: 1, "a" => [nil, 2.5]}) == Fingerprint.of({"a" => [nil, 2.5], "b" => 1}) # => true
        def of(value) = ::Digest::SHA256.hexdigest(JSON.generate(sorted(value)))[0, 16]

        def sorted(value)
          case value
          when Hash then value.map { |key, one| [key.to_s, sorted(one)] }.sort_by(&:first).to_h
          when Array then value.map { |one| sorted(one) }
          when Symbol then value.to_s
          else value
          end
        end
        private_class_method :sorted
      end
    end
  end
end
