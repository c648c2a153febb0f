# frozen_string_literal: true

module IronTrellis
  module Core
    module Url
      # Which URLs an audit is about: those on its hosts, narrowed by include and exclude patterns (exclude
      # wins). A host without a port stands for both schemes on their default ports.
      class Scope
        attr_reader :hosts

        # @param hosts [Array<String>] "www.example.test" or "127.0.0.1:8080"
        # @param include [Array<Url::Pattern>] none means everything
        # @param exclude [Array<Url::Pattern>]
        def initialize(hosts:, include: [], exclude: [])
          @hosts = hosts.to_h { |host| [host.downcase, true] }.freeze
          @include = include
          @exclude = exclude
        end

        # @param url [String] in normal form
        # @return [Boolean]
        def cover?(url)
          @hosts.key?(authority(url)) &&
            (@include.empty? || @include.any? { |pattern| pattern.match?(url) }) &&
            @exclude.none? { |pattern| pattern.match?(url) }
        end

        # @param url [String] in normal form
        # @return [Boolean] whether its host is ours, patterns aside
        def host?(url) = @hosts.key?(authority(url))

        private

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
