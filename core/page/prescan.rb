# frozen_string_literal: true

require "strscan"

module IronTrellis
  module Core
    module Page
      # Looks for a meta element that names the encoding, as browsers do before they parse (HTML standard, "prescan a
      # byte stream to determine its encoding"): in the first 1024 bytes, passing over comments and other tags with
      # their attributes.
      class Prescan
        BYTES = 1024
        META = %r{<meta(?=[\s/])}in
        OTHER_TAG = %r{</?[a-zA-Z]}n
        DECLARATION = /<[!\/?][^>]*>?/n
        ATTRIBUTE = %r{[\s/]*([^\s/>=][^\s/>=]*)(?:\s*=\s*(?:"([^"]*)"|'([^']*)'|([^\s>]*)))?}n
        # "extract a character encoding from a meta element"
        IN_CONTENT = /charset\s*=\s*(?:"([^"]*)"|'([^']*)'|([^\s;"']+))/in

        # Without this word no element names one, which is seen at once.
        WORD = /charset/in

        # @param body [String] bytes
        def initialize(body)
          @head = body.byteslice(0, BYTES).b
          @scanner = StringScanner.new(@head)
        end

        # @return [String, nil] the label as written
        def call
          return nil unless WORD.match?(@head)

          while @scanner.skip_until(/(?=<)/n)
            label = step
            return label if label
          end
        end

        private

        # Passes over what begins here.
        def step
          if @scanner.skip(/<!--/n)
            # "<!-->" is a whole comment: its two hyphens may end it at once.
            @scanner.pos -= 2
            @scanner.skip_until(/-->/n) || @scanner.terminate
            nil
          elsif @scanner.skip(META) then label_of(attributes)
          elsif @scanner.skip(OTHER_TAG)
            @scanner.skip(%r{[^\s>]*}n)
            attributes && nil
          else
            @scanner.skip(DECLARATION) || @scanner.getch
            nil
          end
        end

        # The first of two equal attributes counts.
        def attributes
          found = {}
          until @scanner.skip(%r{[\s/]*>}n) || @scanner.eos?
            break unless @scanner.skip(ATTRIBUTE)

            found[@scanner[1].downcase] ||= @scanner[2] || @scanner[3] || @scanner[4] || ""
          end
          found
        end

        def label_of(attributes)
          return attributes["charset"] if attributes["charset"]
          return nil unless attributes["http-equiv"]&.casecmp?("content-type")

          match = IN_CONTENT.match(attributes["content"].to_s)
          match && match.captures.compact.first
        end
      end
    end
  end
end
