# frozen_string_literal: true

module IronTrellis
  module Core
    module Workplan
      # Where the versions of pages in several languages lie: a place is a host with its first folder, where that is a
      # language; a layout are the places of the members of a set. A page without a set belongs to the one layout that
      # holds its place.
      class Layouts
        FOLDER = %r{\A/([^/]+)/}

        # @param sets [Hash{String => Hash{String => String}}] by URL its set: URLs by code
        def initialize(sets)
          @sets = sets
          @named = {}
        end

        # @param url [String]
        # @return [String] places, sorted, joined by " + "
        def of(url)
          set = @sets[url]
          return named(set) if set

          place = place(url)
          holding = all.select { |name| name.split(" + ").include?(place) }
          (holding.size == 1) ? holding.first : place
        end

        # @param url [String]
        # @return [String] such as "www.a.test/en/", or "www.a.test"
        def place(url)
          host, path = url.match(%r{\Ahttps?://(?:[^/@]*@)?([^/]+)(/.*)?\z}m)&.captures
          folder = path.to_s[FOLDER, 1]
          (folder && Languages::Tag.read(folder).usable?) ? "#{host}/#{folder}/" : host
        end

        private

        def all = @all ||= @sets.values.uniq.map { |set| named(set) }.uniq

        def named(set) = @named[set] ||= set.values.uniq.map { |url| place(url) }.uniq.sort.join(" + ")
      end
    end
  end
end
