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
            def read(subject, value) = [subject, wish(value)]
          end
        end
      end
    end
  end
end
