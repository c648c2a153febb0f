# frozen_string_literal: true

module IronTrellis
  module Core
    module Groups
      # Finds the shortest patterns on addresses that hold nearly all pages of a kind and hardly any other; where
      # addresses can't tell them apart there are none.
      class AddressPatterns
        # So many of its pages are held, and of what is held so many are others.
        RECALL = 0.9
        OTHERS = 0.05
        MOST = 4
        DEPTH = 3
        # Tried, those that hold most pages.
        CANDIDATES = 40
        ALL = "*"
        AT_ROOT = "/^https?:\\/\\/[^\\/]+\\/[^\\/?]+\\/?$/"

        # @param mine [Array<String>] URLs
        # @param others [Array<String>] URLs that come after them
        # @return [Array<String>, nil]
        # @example
        #   AddressPatterns.of(%w[http://a.test/p/1 http://a.test/p/2], ["http://a.test/"]) # => ["/p/*"]
        def self.of(mine, others) = new(mine, others).call

        # (see .of)
        def initialize(mine, others)
          @mine = mine
          @others = others
          @hosts = mine.map { |url| url[%r{\Ahttps?://([^/]+)}, 1] }.uniq
        end

        # (see .of)
        def call
          left, found = @mine, []
          while left.size > @mine.size * (1 - RECALL)
            best = best(left) or return
            found << best
            return if found.size > MOST

            left = left.reject { |url| pattern(best).match?(url) }
          end
          needed(found)
        end

        private

        # What the later ones hold as well isn't said twice.
        def needed(found) =
          found.reduce(found) do |all, one|
            others = all - [one]
            enough = @mine.count { |url| others.any? { |other| pattern(other).match?(url) } }
            (enough >= @mine.size * RECALL) ? others : all
          end

        # The one that holds most of what is left, of several the shortest.
        def best(left)
          candidates(left)
            .filter_map { |source| [source, held(source, left)] if precise?(source) }
            .max_by { |source, held| [held, -source.size, source] }&.first
        end

        def held(source, urls) = urls.count { |url| pattern(source).match?(url) }

        def precise?(source)
          (@precise ||= {}).fetch(source) do
            wrong = held(source, @others)
            @precise[source] = wrong <= OTHERS * (wrong + held(source, @mine))
          end
        end

        def pattern(source) = (@patterns ||= {})[source] ||= Url::Pattern.new(source)

        def candidates(urls)
          found = urls.flat_map { |url| shapes(url) }.tally
          found[AT_ROOT] = urls.size
          found[ALL] = urls.size if @others.empty?
          found.sort_by { |source, count| [-count, source.size, source] }.first(CANDIDATES).map(&:first)
        end

        # What an address has in common with others like it.
        def shapes(url)
          host, path, query = url.match(%r{\Ahttps?://([^/]+)([^?]*)(?:\?(.*))?\z}m).captures
          segments = path.split("/").drop(1).map { |one| one.gsub(/[0-9]+/, "#") }
          own = [*folders(segments), *endings(segments, path), *whole(path, query)].uniq
          (@hosts.size == 1) ? own + own.select { |one| one.start_with?("/") }.map { |one| "#{host}#{one}" } : own
        end

        def folders(segments) =
          (1..[DEPTH, segments.size - 1].min).map { |depth| "/#{segments.first(depth).join("/")}/*" }

        def endings(segments, path)
          last = segments.last or return []
          slash = path.end_with?("/") ? "/" : ""
          word = last[/\A[a-z]+[-_]/i]
          [
            ("*/#{last}#{slash}" if last.match?(/[a-z]/i)),
            ("/#{[*segments[0..-2], word].join("/")}*" if word),
            last[/\.[a-z]{2,5}\z/i]&.then { |ending| "*#{ending}" }
          ].compact
        end

        def whole(path, query)
          own = path.gsub(/[0-9]+/, "#")
          return (own == "/") ? [] : [own] unless query

          key = query[/\A[^=&]+/]
          ["#{own}?*", "#{own}?#{query.gsub(/[0-9]+/, "#")}", ("#{own}?#{key}=*" if key)].compact
        end
      end
    end
  end
end
