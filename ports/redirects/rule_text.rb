# frozen_string_literal: true

module IronTrellis
  module Ports
    module Redirects
      # What the rules of web servers are made of.
      module RuleText
        # A source as servers see it: `path` decoded, `query` as sent, nil where there is none.
        Source = Struct.new(:scheme, :host, :path, :query, keyword_init: true)

        module_function

        # @param url [String] whole, in normal form
        # @return [Source]
        def source(url)
          parts = Core::Url::NormalForm.split(url)
          Source.new(
            scheme: parts.scheme,
            host: parts.host,
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

        QUOTE = '\x22'
        CONTROL = /["\x00-\x1f\x7f]/
      end
    end
  end
end
