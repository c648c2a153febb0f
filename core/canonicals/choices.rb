# frozen_string_literal: true

module IronTrellis
  module Core
    module Canonicals
      # Which URL shall stand for which, by choice: for single pages or for all that a pattern matches, on another host
      # too; $1 to $9 in a target stand for what the pattern's stars or groups capture.
      class Choices
        # @param chosen [Hash{String => Hash}] {"target"} by URL or pattern; of patterns the last that matches wins
        # @raise [Url::Pattern::Malformed]
        def initialize(chosen)
          rules = chosen.map { |source, value| [Url::Pattern.new(source), value["target"]] }
          exact, patterns = rules.partition { |pattern, _| pattern.exact? }
          @own = exact.to_h { |pattern, target| [pattern.source, target] }
          @patterns = patterns.reverse
        end

        # @param url [String] in normal form
        # @return [String, nil] the URL that was chosen to stand for it
        #   Choices.new("http://a.test/*/print" => {"target" => "http://a.test/$1"}).for("http://a.test/x/print") # =>
        #     "http://a.test/x"
        def for(url) = @own[url] || by_pattern(url)

        private

        def by_pattern(url)
          @patterns.each { |pattern, target| pattern.fill(target, url)&.then { |filled| return filled } }
          nil
        end
      end
    end
  end
end
