# frozen_string_literal: true

module IronTrellis
  module Core
    module Url
      # Which URLs an audit is about: those on its hosts, narrowed by folders and by include and exclude patterns
      # (exclude wins). A host without a port stands for both schemes on their default ports.
      class Scope
        attr_reader :hosts

        # @param hosts [Array<String>] "www.example.test" or "127.0.0.1:8080"
        # @param folders [Array<String>] "/pt/" on any of the hosts, or with a host in front; none means all
        # @param include [Array<Url::Pattern>] none means everything
        # @param exclude [Array<Url::Pattern>]
        def initialize(hosts:, folders: [], include: [], exclude: [])
          @paths, @prefixes = folders.partition { |folder| folder.start_with?("/") }
          @hosts = hosts.to_h { |host| [host.downcase, true] }.freeze
          @include = include
          @exclude = exclude
        end

        # @param url [String] in normal form
        # @return [Boolean]
        def cover?(url) = objection(url).nil?

        # @param url [String] in normal form
        # @return [Array(Symbol, String), nil] why it isn't covered: :host, :folder, :include, or :exclude with the
        #   pattern; nil where it is
        def objection(url)
          return [:host, authority(url)] unless @hosts.key?(authority(url))
          return [:folder, nil] unless in_folders?(url)
          return [:include, nil] unless @include.empty? || @include.any? { |pattern| pattern.match?(url) }

          left_out = @exclude.find { |pattern| pattern.match?(url) }
          [:exclude, left_out.source] if left_out
        end

        # @param url [String] in normal form
        # @return [Boolean] whether what pages embed may be checked there: folders and "only these" are about pages
        def embeds?(url) = host?(url) && @exclude.none? { |pattern| pattern.match?(url) }

        # @param url [String] in normal form
        # @return [Boolean] whether its host is ours, patterns aside
        def host?(url) = @hosts.key?(authority(url))

        private

        def in_folders?(url)
          return true if @paths.empty? && @prefixes.empty?

          path = url[url.index("/", url.index("//") + 2)..]
          @paths.any? { |folder| path.start_with?(folder) } || @prefixes.any? { |prefix| url.start_with?(prefix) }
        end

        def authority(url)
          from = url.index("//") + 2
          to = url.index("/", from) || url.length
          authority = url[from...to]
          authority.include?("@") ? authority.rpartition("@").last : authority
        end
      end
    end
  end
end
