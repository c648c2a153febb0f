# frozen_string_literal: true

module IronTrellis
  module Core
    module Languages
      # What is wrong with annotations by themselves, without anything known of the pages: codes, missing returns, sets
      # that differ. The rules are those of the catalogue, told in the same way.
      class SetCheck
        # The code of a rule, the page that it is told of, and the code or URL concerned (nil where nothing more is to
        # be said).
        Flaw = Struct.new(:code, :url, :about, keyword_init: true)

        # @param annotations [Array<Annotation>]
        def initialize(annotations)
          @pages = annotations.group_by(&:url)
          @sets = @pages.transform_values { |ones| ones.map(&:target).uniq }
        end

        # @return [Array<Flaw>] by page, in byte order
        def call
          @pages.sort.flat_map do |url, ones|
            codes(url, ones) + whole(url, ones) + returns(url) + [differs(url)].compact
          end
        end

        private

        def codes(url, ones)
          bad =
            ones
              .map(&:code)
              .uniq
              .reject { |code| Tag.read(code).usable? }
              .map { |code| flaw("hreflang-code", url, code) }
          twice =
            ones
              .group_by { |one| one.code.downcase }
              .select { |_, same| same.map(&:target).uniq.size > 1 }
              .map { |code, _| flaw("hreflang-code-twice", url, code) }
          bad + twice + ones.select(&:relative).map { |one| flaw("hreflang-relative", url, one.target) }.uniq
        end

        def whole(url, ones)
          [
            (flaw("hreflang-no-self", url) unless @sets[url].include?(url)),
            (flaw("hreflang-no-default", url) if ones.none? { |one| one.code.strip.casecmp?("x-default") })
          ].compact
        end

        def returns(url) =
          @sets[url]
            .reject { |target| target == url || @sets[target]&.include?(url) }
            .map { |target| flaw("hreflang-no-return", url, target) }

        # The first of those that name each other with it and name more than it does.
        def differs(url)
          mine = @sets[url]
          fuller =
            mine
              .select { |target| target != url && @sets[target]&.include?(url) && (@sets[target] - [url] - mine).any? }
              .min
          flaw("hreflang-sets-differ", url, fuller) if fuller
        end

        def flaw(code, url, about = nil) = Flaw.new(code: code, url: url, about: about)
      end
    end
  end
end
