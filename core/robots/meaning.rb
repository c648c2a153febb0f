# frozen_string_literal: true

module IronTrellis
  module Core
    module Robots
      # Says in words what each line of a robots.txt means (RFC 9309).
      module Meaning
        Line = Struct.new(:number, :text, :meaning, :flaw, keyword_init: true)

        module_function

        # @param text [String] the file
        # @return [Array<Line>] every line; `meaning` is nil where there is none, `flaw` says why no crawler reads it
        def of(text)
          flaws = Syntax.flaws(text).to_h { |flaw| [flaw.line, flaw.why] }
          text.delete_prefix(Ruleset::BOM).split(Ruleset::LINE_END, -1).each.with_index(1).map do |line, number|
            Line.new(number: number, text: line, meaning: flaws[number] ? nil : meaning(line), flaw: flaws[number])
          end
        end

        def meaning(line)
          field, colon, value = line.sub(/#.*/, "").partition(":").map(&:strip)
          return if colon.empty?

          case field.downcase
          when "user-agent"
            (value == "*") ? "For every crawler that isn't named elsewhere:" : "For the crawler #{value}:"
          when "disallow"
            value.empty? ? "All may be fetched." : "Not to be fetched: #{covers(value)}"
          when "allow"
            "May be fetched even so: #{covers(value)}"
          when "sitemap"
            "A sitemap, for every crawler: #{value}"
          when "crawl-delay"
            "Wait #{value} seconds between requests (no part of RFC 9309; some crawlers keep to it)."
          end
        end

        def covers(path)
          return "everything" if %w[/ * /*].include?(path)

          inside = path.delete_suffix("$").gsub("*", " anything ").squeeze(" ").strip
          path.end_with?("$") ? "just what ends so: #{inside}" : "what begins with #{inside}"
        end
        private_class_method :meaning, :covers
      end
    end
  end
end
