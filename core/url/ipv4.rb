# frozen_string_literal: true

module IronTrellis
  module Core
    module Url
      # IPv4 addresses in all the spellings browsers accept (WHATWG URL, "IPv4 parser"):
      # "127.1", "0x7f.0.0.1" and "2130706433" all mean 127.0.0.1.
      module Ipv4
        NUMBER = /\A(?:0[xX]\h*|\d+)\z/

        module_function

        # @param domain [String] an ASCII domain
        # @return [Boolean] whether its last label is a number, so that it must be an address
        def looks_like?(domain)
          last = labels(domain).last
          !last.nil? && NUMBER.match?(last)
        end

        # @param domain [String] a domain for which looks_like? holds
        # @return [String, nil] dotted form; nil where it is no address
        def read(domain)
          numbers = labels(domain).map { |label| number(label) }
          return nil if numbers.size > 4 || numbers.include?(nil)

          *heads, last = numbers
          return nil if heads.any? { |head| head > 255 } || last >= 256**(5 - numbers.size)

          value = heads.each_with_index.sum { |head, index| head * 256**(3 - index) } + last
          [value].pack("N").unpack("C4").join(".")
        end

        def labels(domain) = domain.chomp(".").split(".", -1)

        def number(label)
          case label
          when /\A0[xX](\h*)\z/ then $1.to_i(16)
          when /\A0([0-7]*)\z/ then $1.to_i(8)
          when /\A[1-9]\d*\z/ then label.to_i
          end
        end
        private_class_method :labels, :number
      end
    end
  end
end
