# frozen_string_literal: true

module IronTrellis
  module Core
    module Groups
      # Puts URLs into page groups: ordered patterns of which the first match wins; what none matches falls into a
      # group of its first folder.
      class Grouping
        Group = Struct.new(:name, :pattern, keyword_init: true)

        # @param groups [Array<Group>] in order
        # @param main_host [String] whose folders are named without their host
        def initialize(groups:, main_host:)
          @groups = groups
          @main_host = main_host
        end

        # @param url [String] in normal form
        # @return [String] the group's name
        #   Grouping.new(groups: [], main_host: "a.test").name("http://a.test/lamps/x") # => "/lamps/"
        def name(url) = find(url)&.name || first_folder(url)

        private

        # Its group is asked for several times of one URL after the other, so the last answer is kept.
        def find(url)
          return @found if url == @asked

          @asked = url
          @found = @groups.find { |group| group.pattern.match?(url) }
        end

        def first_folder(url)
          host, _, path = url.sub(%r{\Ahttps?://}, "").partition("/")
          path = path.partition("?").first
          folder = path.include?("/") ? "/#{path.partition("/").first}/" : "/"
          (host == @main_host) ? folder : "#{host}#{folder}"
        end
      end
    end
  end
end
