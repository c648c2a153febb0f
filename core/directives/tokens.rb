# frozen_string_literal: true

module IronTrellis
  module Core
    module Directives
      # Reads the value of a robots meta element or an X-Robots-Tag header into words.
      module Tokens
        # A value that names an agent first: "examplebot: noindex". Directives with a value of their own
        # (max-snippet: 20) must not be taken for agents.
        AGENT = /\A\s*([A-Za-z][\w-]*)\s*:\s*(.*)\z/m
        VALUED = %w[unavailable_after max-snippet max-image-preview max-video-preview].freeze

        module_function

        # @param value [String] "NoIndex, follow"
        # @return [Array<String>] lower case, in order, each once
        # @example
        #   Tokens.read("NoIndex, follow") # => ["noindex", "follow"]
        def read(value) = value.downcase.split(/[,\s]+/).reject(&:empty?).uniq

        # @param value [String] of one X-Robots-Tag field
        # @return [Array(String, Array<String>)] the agent (nil for everyone) and the words
        # @example
        #   Tokens.read_header("lampbot: noindex") # => ["lampbot", ["noindex"]]
        def read_header(value)
          match = AGENT.match(value)
          return [nil, read(value)] if match.nil? || VALUED.include?(match[1].downcase)

          [match[1].downcase, read(match[2])]
        end
      end
    end
  end
end
