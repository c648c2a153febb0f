# frozen_string_literal: true

module IronTrellis
  module Core
    module Groups
      # Puts URLs into page groups: in order, the first that takes a URL has it; what none takes falls into a group of
      # its first folder.
      class Grouping
        # URLs by patterns, by how their pages are built (`template`, the core of one as Skeletons tell it), or by both.
        # What no crawl has read goes by patterns alone.
        Group =
          Struct.new(:name, :patterns, :template, keyword_init: true) do
            # @param name [String]
            # @param lines [String] a pattern each
            # @param template [String, nil]
            # @return [Group]
            # @raise [Url::Pattern::Malformed]
            def self.of(name, lines, template = nil) =
              new(name: name, patterns: lines.to_s.split("\n").map { |one| Url::Pattern.new(one) }, template: template)

            # @param url [String] in normal form
            # @param built [Hash{String => String}] by URL, as which template of a group it is built
            # @return [Boolean]
            def match?(url, built)
              return patterns.any? { |pattern| pattern.match?(url) } if template.nil?

              built[url] == template && (patterns.empty? || patterns.any? { |pattern| pattern.match?(url) })
            end
          end

        # @param groups [Array<Group>] in order
        # @param main_host [String] whose folders are named without their host
        # @param built [Hash{String => String}] by URL, as which template of a group it is built
        def initialize(groups:, main_host:, built: {})
          @groups = groups
          @main_host = main_host
          @built = built
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
          @found = @groups.find { |group| group.match?(url, @built) }
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
