# frozen_string_literal: true

module IronTrellis
  module Core
    module Page
      # Which lines of a page's source and of its headers decide how it gets into the index, so that they can be marked
      # where the source is shown. It looks at tags as they are written; what they come to is for Reader.
      module DecidingLines
        # By what the line tells.
        SOURCE = {
          "title" => /<title[\s>]/i,
          "directive" => /<meta\b[^>]*\bname\s*=\s*["']?(?:robots|%<agent>s)["'\s>]/i,
          "canonical" => /<link\b[^>]*\brel\s*=\s*["']?[^"'>]*\bcanonical\b/i,
          "language" => /<link\b[^>]*\bhreflang\s*=|<html\b[^>]*\blang\s*=/i,
          "refresh" => /<meta\b[^>]*\bhttp-equiv\s*=\s*["']?refresh/i,
          "description" => /<meta\b[^>]*\bname\s*=\s*["']?description["'\s>]/i,
          "base" => /<base\b/i,
          "heading" => /<h1[\s>]/i,
          "viewport" => /<meta\b[^>]*\bname\s*=\s*["']?viewport["'\s>]/i,
          "structured data" => %r{application/ld\+json|\bitemscope\b|\btypeof\s*=}i
        }.freeze
        HEADERS = {
          "directive" => /\Ax-robots-tag\s*:/i,
          "canonical" => /\Alink\s*:.*\bcanonical\b/i,
          "language" => /\A(?:link\s*:.*\bhreflang\b|content-language\s*:)/i,
          "refresh" => /\Arefresh\s*:/i,
          "redirect" => /\Alocation\s*:/i,
          "type" => /\Acontent-type\s*:/i
        }.freeze

        module_function

        # @param lines [Array<String>]
        # @param agent [String]
        # @return [Array<Array<String>>] by line, what it tells
        #   DecidingLines.of(["<title>x</title>"], agent: "x") # => [["title"]]
        def of(lines, agent:)
          patterns =
            SOURCE.transform_values do |pattern|
              Regexp.new(pattern.source.sub("%<agent>s", Regexp.escape(agent)), pattern.options)
            end
          lines.map { |line| patterns_of(line, patterns) }
        end

        # @param lines [Array<String>]
        # @return [Array<Array<String>>]
        def of_headers(lines) = lines.map { |line| patterns_of(line, HEADERS) }

        def patterns_of(line, patterns) = patterns.select { |_, pattern| pattern.match?(line) }.keys
        private_class_method :patterns_of
      end
    end
  end
end
