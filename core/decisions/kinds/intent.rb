# frozen_string_literal: true

module IronTrellis
  module Core
    module Decisions
      module Kinds
        # Whether a URL, or those of a pattern, shall be indexed or kept out.
        module Intent
          extend Kind

          class << self
            # @return [Boolean]
            def judged? = true

            # @param subject [String]
            # @param value [Hash]
            # @return [Array(String, Hash)] subject and value as they are kept
            # @raise [Error::InvalidInput]
            def read(subject, value)
              pattern = Url::Pattern.new(subject)
              [pattern.exact? ? Url::NormalForm.of(subject) : subject, intent_of(value)]
            end

            # @param subject [String]
            # @param value [Hash]
            # @return [Array(Symbol, Object)] as Kind#concerns
            def concerns(subject, _value) = matching(subject)

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
