# frozen_string_literal: true

module IronTrellis
  module Ports
    module Redirects
      # What the rules of web servers are made of.
      module RuleText
        # A source as servers see it: `path` decoded, `query` as sent, nil where there is none, `authority` the host
        # with its port where that isn't the usual one.
        Source = Struct.new(:scheme, :host, :authority, :path, :query, keyword_init: true)

        module_function

        # @param url [String] whole, in normal form
        # @return [Source]
        def source(url)
          parts = Core::Url::NormalForm.split(url)
          Source.new(
            scheme: parts.scheme,
            host: parts.host,
            authority: parts.authority,
            path: Core::Url::Percent.decode(parts.path),
            query: parts.query
          )
        end

        # Whether only the scheme tells source and target apart, so that a rule that takes both would go round in a
        # circle.
        #
        # @param route [Core::Redirects::Route]
        # @return [Boolean]
        def scheme_only?(route) = !route.to.nil? && route.from.sub(/\Ahttps?:/, "") == route.to.sub(/\Ahttps?:/, "")

        # @param text [String]
        # @return [String] for PCRE; quotes and what can't be printed as numbers, so that it can stand in quotes on one
        #   line
        def literally(text)
          text.gsub(/[\\.^$|?*+()\[\]{}]/) { |sign| "\\#{sign}" }.gsub(CONTROL) { |sign| format('\x%02x', sign.ord) }
        end

        # Servers write parts of an address into variables of their own: a name of a group may be one that they have.
        NAMED_GROUP = /\\.|\[\^?\]?(?:\\.|[^\]\\])*\]|\(\?P?<(?![=!])\w+>/m
        # RE2 knows characters beyond a byte, of which no address has one; the servers' PCRE refuses them.
        BEYOND_BYTES = /\\x\{0*[1-9a-f][0-9a-f]{2,}\}/i

        # @param pattern [String]
        # @return [String] its expression for PCRE, with a group for each part that it captures
        # @raise [Core::Url::Pattern::Malformed]
        def expression(pattern)
          Core::Url::Pattern.new(pattern).translated_with_groups.gsub(NAMED_GROUP) do |sign|
            sign.start_with?("(") ? "(" : sign
          end
        end

        # @param route [Core::Redirects::Route]
        # @return [String, nil] why no server can be told so; nil where it can
        def unfit(route)
          return unless route.pattern? && BEYOND_BYTES.match?(expression(route.from))

          "the pattern asks for characters that no address has (\\x{…} above FF)"
        end

        QUOTE = '\x22'
        CONTROL = /["\x00-\x1f\x7f]/
      end
    end
  end
end
