# frozen_string_literal: true

module IronTrellis
  module Core
    module StructuredData
      # What the names in a JSON-LD document stand for (JSON-LD 1.1, sections 4.1 and 9.15): terms, prefixes, keywords
      # under other names, a vocabulary. Contexts on the web aren't fetched: schema.org's is known, what others define
      # is taken for schema.org's, as most mean it.
      class JsonLdContext
        VOCABULARY = "https://schema.org/"
        # Of schema.org's own context what isn't said by its vocabulary: keywords under other names, and its prefix.
        # Source: schema.org's jsonldcontext, from memory.
        SCHEMA_ORG = {"type" => "@type", "id" => "@id", "schema" => VOCABULARY}.freeze
        SCHEMA_ORG_CONTEXT = %r{\Ahttps?://(?:www\.)?schema\.org(?:/.*)?\z}i
        DEEPEST = 10

        # @return [JsonLdContext] where none is given: names are schema.org's
        def self.none = @none ||= new({}, VOCABULARY)

        # @param terms [Hash{String => String}] what each stands for, an address or a keyword
        # @param vocabulary [String] where all other names lie
        def initialize(terms, vocabulary)
          @terms = terms.freeze
          @vocabulary = vocabulary
          freeze
        end

        # @param local [Object] the value of an "@context"
        # @return [JsonLdContext] with what it says beside what is known
        def with(local)
          case local
          when nil then self.class.none
          when String then SCHEMA_ORG_CONTEXT.match?(local) ? defining(SCHEMA_ORG, VOCABULARY) : self
          when Array then local.reduce(self) { |known, one| known.with(one) }
          when Hash then of_terms(local)
          else self
          end
        end

        # @param name [String] as it stands in the document
        # @return [String] a keyword, a name of schema.org, or an address
        #   JsonLdContext.none.with({"s" => "http://schema.org/"}).name("s:Product") # => "Product"
        def name(name) = Vocabulary.short(expanded(name, 0))

        private

        def of_terms(local)
          terms = local.reject { |name, _| name.start_with?("@") }
            .transform_values { |value| value.is_a?(Hash) ? value["@id"] : value }
            .select { |_, value| value.is_a?(String) }
          vocabulary = local["@vocab"].is_a?(String) ? local["@vocab"] : @vocabulary
          defining(terms, vocabulary)
        end

        def defining(terms, vocabulary) = self.class.new(@terms.merge(terms), vocabulary)

        def expanded(name, depth)
          return name if name.start_with?("@") || depth > DEEPEST

          meant = @terms[name]
          return expanded(meant, depth + 1) if meant && meant != name

          prefix, rest = name.split(":", 2)
          return "#{@vocabulary}#{name}" if rest.nil?
          return name if rest.start_with?("//") || !@terms.key?(prefix)

          "#{expanded(@terms.fetch(prefix), depth + 1)}#{rest}"
        end
      end
    end
  end
end
