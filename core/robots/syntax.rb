# frozen_string_literal: true

module IronTrellis
  module Core
    module Robots
      # Lines of a robots.txt that no crawler reads (RFC 9309 section 2.2).
      module Syntax
        Flaw = Struct.new(:line, :text, :why, keyword_init: true)
        RULES = %w[allow disallow].freeze
        # Not in the RFC, but read by some.
        READ_BY_SOME = %w[crawl-delay host clean-param].freeze
        MOST = 1000
        HTML = /\A[\uFEFF\s]*<(?:!doctype\s+html|html|head|body|!--)/i

        module_function

        # @param text [String] the file
        # @return [Array<Flaw>] at most MOST
        def flaws(text)
          if HTML.match?(text)
            return [
              Flaw.new(
                line: 1,
                text: text.strip[0, 200].lines.first.to_s.strip,
                why: "it is an HTML page, no robots.txt"
              )
            ]
          end

          grouped = false
          lines(text).filter_map do |line, number|
            field, colon, value = line.partition(":").map(&:strip)
            grouped ||= field.casecmp?("user-agent") && !colon.empty?
            why = why(field.downcase, colon, value, grouped)
            Flaw.new(line: number, text: line[0, 200], why: why) if why
          end.first(MOST)
        end

        def lines(text)
          text
            .delete_prefix(Ruleset::BOM)
            .split(Ruleset::LINE_END, -1)
            .each
            .with_index(1)
            .map { |line, number| [line.sub(/#.*/, "").strip, number] }
            .reject { |line, _| line.empty? }
        end

        def why(field, colon, value, grouped)
          return "a line needs a colon after its first word" if colon.empty?
          return (value.empty? ? "no agent is named" : nil) if field == "user-agent"
          if field == "sitemap"
            return (value.match?(%r{\Ahttps?://}i) ? nil : "a sitemap is named by its whole " \
              "address")
          end
          return "no crawler knows the word “#{field}”" unless RULES.include?(field) || READ_BY_SOME.include?(field)

          rule(value, grouped) if RULES.include?(field)
        end

        def rule(value, grouped)
          return "it stands before any User-agent line" unless grouped

          "a path begins with a slash" unless value.empty? || value.start_with?("/", "*")
        end
        private_class_method :lines, :why, :rule
      end
    end
  end
end
