# frozen_string_literal: true

require "digest"

module IronTrellis
  module Fetch
    module Crawling
      # Watches addresses that differ in their query only, and tells where ever new ones bring ever the same pages: such
      # a space would go on for as long as the server makes up links.
      class ParameterLoopDetector
        # So many pages of one space are looked at before it is judged; at most one in ten of them may be new.
        ENOUGH = 200
        SHARE = 0.1
        # How many spaces are watched at once.
        MEMORY = 5_000
        KIND = "same content under parameters"

        Watched = Struct.new(:pages, :digests)

        def initialize
          @spaces = {}
        end

        # @param outcome [Core::Crawling::Outcome] of a page
        # @return [String, nil] the address before the query, once its space is known to repeat itself
        def see(outcome)
          before, mark, _ = outcome.item.url.partition("?")
          text = outcome.facts&.text.to_s
          return if mark.empty? || text.empty?

          watched = watch("#{before}?")
          watched.pages += 1
          watched.digests[Digest::MD5.digest(text)] = true if watched.digests.size <= ENOUGH
          "#{before}?" if watched.pages == ENOUGH && watched.digests.size <= ENOUGH * SHARE
        end

        private

        def watch(space)
          @spaces.shift if @spaces.size > MEMORY
          @spaces[space] ||= Watched.new(0, {})
        end
      end
    end
  end
end
