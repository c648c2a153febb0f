# frozen_string_literal: true

module IronTrellis
  module Core
    module StructuredData
      # Names of types and properties as they are written in the different syntaxes.
      module Vocabulary
        PREFIX = %r{\A(?:https?://schema\.org/|schema:)}i

        module_function

        # @param name [String]
        # @return [String] without the vocabulary where that is schema.org; others keep theirs
        #   Vocabulary.short("https://schema.org/Product") # => "Product"
        def short(name) = name.strip.sub(PREFIX, "")
      end
    end
  end
end
