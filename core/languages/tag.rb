# frozen_string_literal: true

module IronTrellis
  module Core
    module Languages
      # What an hreflang attribute names: a language, perhaps in a script, perhaps of a region (RFC 5646; search engines
      # know ISO 639-1, 15924 and 3166-1 only), or x-default. `reason` says what is wrong with it, nil where nothing is;
      # `likely` is the tag that was probably meant.
      Tag = Struct.new(:language, :script, :region, :reason, :likely, keyword_init: true) do
        # @return [Boolean]
        def usable? = reason.nil?
      end

      class << Tag
        DEFAULT = "x-default"
        FORM = /\A([a-z]{2})(?:-([a-z]{4}))?(?:-([a-z]{2}))?\z/

        # @param code [String] as written
        # @return [Tag]
        #   Tag.read("en-UK").likely # => "en-GB"
        def read(code)
          tag = code.strip.downcase
          return new(language: DEFAULT) if tag == DEFAULT

          match = FORM.match(tag)
          return wrong("it is no tag of a language, a script and a region", tag) unless match

          language, script, region = match.captures
          reason = unknown(language, script, region)
          reason ? wrong(reason, tag) : new(language: language, script: script, region: region)
        end

        private

        def unknown(language, script, region)
          return "there is no language #{language}" unless Codes::LANGUAGES.key?(language)
          return "there is no script #{script}" if script && !Codes::SCRIPTS.key?(script)

          "there is no region #{region.upcase}" if region && !Codes::REGIONS.key?(region)
        end

        def wrong(reason, tag)
          reason = "region not supported" if tag.match?(/\A[a-z]{2}-\d{3}\z/)
          new(reason: reason, likely: likely(tag))
        end

        # With hyphens, two letters, and regions by their right names; nil where that is no tag either.
        def likely(tag)
          language, *rest = tag.tr("_", "-").split("-")
          language = Codes::THREE_LETTERS.fetch(language, language)
          rest = rest.map { |part| Codes::MEANT_REGIONS.fetch(part, part) }
          match = FORM.match([language, *rest].join("-"))
          return if match.nil? || unknown(*match.captures)

          [match[1], match[2]&.capitalize, match[3]&.upcase].compact.join("-")
        end
      end
    end
  end
end
