# frozen_string_literal: true

module IronTrellis
  module Core
    module Decisions
      # The kinds of decision that there are: one file each in kinds/.
      module Registry
        class << self
          # @return [Array<Kind>] sorted by code
          def all = @all ||= Kinds.constants.map { |name| Kinds.const_get(name) }.sort_by(&:code).freeze

          # @return [Array<String>]
          def codes = all.map(&:code)

          # @return [Array<String>] of those that pages are judged by
          def judged = all.select(&:judged?).map(&:code)

          # @param code [String]
          # @return [Kind]
          # @raise [Error::InvalidInput]
          def fetch(code)
            all.find { |kind| kind.code == code } || raise(Error::InvalidInput.new("“#{code}” is no kind of decision."))
          end

          # @param code [String]
          # @param subject [String] what it is about
          # @param value [Object, nil] nil for nothing any more
          # @return [Array(String, Object)] subject and value as they are kept
          # @raise [Error::InvalidInput]
          # @example
          #   Registry.read("group", "/tags/", {"intent" => "keep_out"}) # => ["/tags/", {"intent" => "keep_out"}]
          def read(code, subject, value)
            subject = subject.to_s.strip
            raise Error::InvalidInput.new("Say what is decided about.") if subject.empty?

            value.nil? ? [subject, nil] : fetch(code).read(subject, value)
          end
        end
      end
    end
  end
end
