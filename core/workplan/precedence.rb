# frozen_string_literal: true

module IronTrellis
  module Core
    module Workplan
      # What must come before what: opening a robots.txt before what pages say can be read, a server that answers before
      # all else on its pages, redirects before links that are led to their targets, and sitemaps last of what they
      # list.
      class Precedence
        OPENED = %w[blocked-wanted noindex-unseen].freeze
        DOWN = %w[server-error unreachable].freeze
        READ_ON_PAGES = %w[directives canonicals content].freeze
        LISTED = %w[redirects directives canonicals languages].freeze
        LINK_TO = "link-to-"

        # @param drafts [Array<Draft>]
        def initialize(drafts)
          @drafts = drafts
        end

        # @return [Hash{Draft => Array<Draft>}] those that come directly before each, none for most
        def call
          @before = {}.compare_by_identity
          @drafts.each { |draft| @before[draft] = [] }
          behind_robots
          behind_servers
          links_behind_redirects
          sitemaps_behind_all
          requests_behind_all
          @before.transform_values(&:uniq)
        end

        private

        def of(*kinds) = @drafts.select { |draft| kinds.include?(draft.kind) }

        def by_url(drafts)
          drafts.each_with_object({}) { |draft, found| draft.urls.each { |url| (found[url] ||= []) << draft } }
        end

        def behind_robots
          later = by_url(of(*READ_ON_PAGES))
          of("robots").each do |draft|
            draft.entries.select { |entry| OPENED.include?(entry.code) }.each { |entry| first(draft, later[entry.url]) }
          end
        end

        # Whatever has to do with a page that doesn't answer, as its own or as what it is about.
        def behind_servers
          down = of("server").select { |draft| draft.entries.any? { |entry| DOWN.include?(entry.code) } }
          return if down.empty?

          of_url = by_url(down)
          @drafts.each do |draft|
            next if draft.kind == "server"

            draft.entries.each do |entry|
              [entry.url, entry.about].compact.each { |url| of_url[url]&.each { |one| first(one, [draft]) } }
            end
          end
        end

        def links_behind_redirects
          moved = by_url(of("redirects"))
          of("links").each do |draft|
            draft.entries.each do |entry|
              moved[entry.about]&.each { |one| first(one, [draft]) } if entry.code.start_with?(LINK_TO)
            end
          end
        end

        def sitemaps_behind_all
          of("sitemaps").each do |sitemap|
            of(*LISTED).each { |draft| first(draft, [sitemap]) if hosts(draft).include?(sitemap.place) }
          end
        end

        def hosts(draft)
          (@hosts ||= {}.compare_by_identity)[draft] ||= [draft.place, *draft.urls].map do |one|
            one[%r{\Ahttps?://([^/?#]+)}, 1] || one[%r{\A[^/]+}]
          end
            .uniq
        end

        def requests_behind_all
          others = by_url(@drafts - of("request"))
          of("request").each { |request| request.urls.each { |url| others[url]&.each { |one| first(one, [request]) } } }
        end

        def first(draft, others) = others&.each { |other| @before[other] << draft unless other.equal?(draft) }
      end
    end
  end
end
