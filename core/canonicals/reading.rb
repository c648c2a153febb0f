# frozen_string_literal: true

module IronTrellis
  module Core
    module Canonicals
      # What all canonicals of one answer come to (RFC 6596; where several differ, none wins).
      # `url` is the one that counts, `source` "html", "header" or "both", `state` "none", "self", "other", "clash" or
      # "malformed"; `malformed` and `misplaced` list what was written wrongly, for the rules.
      Reading = Struct.new(:url, :source, :state, :named, :malformed, :misplaced, keyword_init: true)

      class << Reading
        # @param named [Array<Named>]
        # @param url [Url::Parts] the page's own address
        # @return [Reading]
        def of(named, url)
          resolver = Core::Url::Resolver.new(url)
          usable = named.select(&:usable?)
          targets = usable.filter_map { |one| one.target(resolver) }.uniq
          new(url: (targets.first if targets.one?), source: source(usable), state: state(usable, targets, url.to_s),
            named: named, malformed: usable.select { |one| one.malformed?(resolver) }.map(&:href),
            misplaced: named.reject(&:usable?).map(&:href))
        end

        private

        def state(usable, targets, own)
          return "clash" if targets.size > 1
          return (targets.first == own) ? "self" : "other" if targets.one?

          usable.empty? ? "none" : "malformed"
        end

        def source(usable)
          sources = usable.map(&:source).uniq
          (sources.size > 1) ? "both" : sources.first
        end
      end
    end
  end
end
