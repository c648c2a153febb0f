# frozen_string_literal: true

module IronTrellis
  module Core
    module Decisions
      module Kinds
        # A draft of an origin's robots.txt.
        module Robots
          extend Kind

          MOST_BYTES = 512_000

          class << self
            # @param subject [String]
            # @param value [Hash]
            # @return [Array(String, Hash)] subject and value as they are kept
            # @raise [Error::InvalidInput]
            def read(subject, value)
              text = value["text"].to_s
              problem("The draft is longer than crawlers must read (500 KiB).") if text.bytesize > MOST_BYTES
              [Url::NormalForm.parse(subject).origin, {"text" => text}]
            end
          end
        end
      end
    end
  end
end
