# frozen_string_literal: true

module IronTrellis
  module Core
    module Decisions
      module Kinds
        # Whether the pages of a group shall be indexed or kept out, and whether its links are followed.
        module Group
          extend Kind

          class << self
            # @return [Boolean]
            def judged? = true

            # @param subject [String]
            # @param value [Hash]
            # @return [Array(String, Hash)] subject and value as they are kept
            # @raise [Error::InvalidInput]
            def read(subject, value) = [subject, intent_of(value)]

            # @param subject [String]
            # @param value [Hash]
            # @return [Array(Symbol, Object)] as Kind#concerns
            def concerns(subject, _value) = [:of_group, subject]

            # @param subject [String]
            # @param value [Hash]
            # @param page [Seen::Page]
            # @return [Array<Seen::Condition>]
            def seen(_subject, value, page) = Wished.seen(value, page)
          end
        end
      end
    end
  end
end
