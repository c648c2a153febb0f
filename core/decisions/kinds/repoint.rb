# frozen_string_literal: true

module IronTrellis
  module Core
    module Decisions
      module Kinds
        # What links to an address shall lead to and say instead; the subject is their present target.
        module Repoint
          extend Kind

          class << self
            # @param subject [String]
            # @param value [Hash]
            # @return [Array(String, Hash)] subject and value as they are kept
            # @raise [Error::InvalidInput]
            def read(subject, value)
              target = Url::NormalForm.of(value["target"].to_s)
              [
                Url::NormalForm.of(subject),
                {"target" => target, "text" => value["text"].to_s.strip.then { |text| text unless text.empty? }}.compact
              ]
            end
          end
        end
      end
    end
  end
end
