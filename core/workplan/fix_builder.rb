# frozen_string_literal: true

module IronTrellis
  module Core
    module Workplan
      # Makes fixes of what is to be mended, each entry in exactly one: what one person can do in one go.
      class FixBuilder
        BY_SCOPE = %w[directives canonicals links content].freeze
        # So many requests of a day, and so many groups that have a fault of the server in common.
        PORTION = 10
        MANY_GROUPS = 3
        # Of words so much is laid out for a host, of pages that should be indexed, or may be and matter so much.
        MOST_PORTIONS = 3
        LEAST_IMPORTANCE = 50
        BASE = "base"
        TEMPLATE = "template"
        LATER = "later"
        PAGES = "pages"
        OMITS = "sitemap-omits"
        # Of a site that names no language all pages get their lines, from one template.
        NONE = "hreflang-none"
        NOWHERE = Scopes::NOWHERE

        # @param pages [Hash{Array(String, String) => Integer}] see Scopes
        # @param layouts [Layouts]
        # @param effort [Effort]
        # @param files [Hash{String => Boolean}] addresses of sitemap files that are known
        # @param families [Hash{String => String}] see Scopes
        def initialize(pages:, layouts:, effort: Effort.new, files: {}, families: {})
          @scopes = Scopes.new(pages, families: families)
          @layouts = layouts
          @effort = effort
          @files = files
        end

        # @param entries [Array<Entry>]
        # @param kept [Hash{Array(String, String) => Hash{String => Integer}}] by kind and host, in which portion each
        #   URL was before
        # @return [Array<Draft>]
        def call(entries, kept: {})
          @kept = kept
          work, settles = Settling.call(asked_for(entries))
          by_kind = work.select(&:kind).group_by(&:kind)
          drafts = Kinds::ALL.flat_map { |kind| drafts(kind, by_kind.fetch(kind, [])) }.reject(&:idle?)
          drafts.each { |draft| draft.settles = draft.entries.flat_map { |entry| settles.fetch(entry, []) } }
        end

        private

        # Some rules tell something, and ask for work only where something else does.
        def asked_for(entries)
          with = entries.group_by(&:url).transform_values { |some| some.map(&:code) }
          entries.reject do |entry|
            needed = entry.rule&.only_with or next
            (needed & with.fetch(entry.url)).empty?
          end
        end

        def drafts(kind, entries)
          return requests(entries) if kind == "request"

          BY_SCOPE.include?(kind) ? by_scope(kind, entries) : by_place(kind, entries)
        end

        def by_place(kind, entries)
          @many = many_groups(kind, entries)
          entries
            .group_by { |entry| [place(kind, entry), cause(kind, entry)] }
            .map do |(place, cause), some|
              draft(kind, place, cause, some, template: (kind == "server") ? of_server?(some) : sets?(kind, some))
            end
        end

        def of_server?(entries) = entries.first.group == place("server", entries.first) && @scopes.template?(entries)

        # Rules that several groups of a host have in common: one cause.
        def many_groups(kind, entries)
          return {} unless kind == "server"

          entries
            .group_by { |entry| [entry.code, Scopes.host(entry)] }
            .select { |_, some| some.map { |entry| Scopes.group(entry) }.uniq.size >= MANY_GROUPS }
        end

        def place(kind, entry)
          case kind
          when "server"
            place_on_server(entry)
          when "robots"
            robots_of((entry.code == "blocked-resource") ? entry.about : entry.url)
          when "languages"
            @layouts.of(entry.url)
          when "sitemaps"
            host(sitemap_of(entry))
          else
            host(entry.url)
          end
        end

        def place_on_server(entry)
          return "#{host(entry.url)}#{entry.about}" if entry.code == Settling::SECTION
          return host(entry.url) if entry.rule&.of_host? || @many.key?([entry.code, Scopes.host(entry)])

          Scopes.group(entry)
        end

        def cause(kind, entry)
          return ((entry.code == Kinds::BLOCK) ? "block" : "open") if kind == "robots"

          {"redirects" => "map", "sitemaps" => "files", "languages" => "sets"}[kind] || entry.code
        end

        def host(url) = Url::Authority.of(url) || NOWHERE

        def robots_of(url) = "#{url.to_s[%r{\Ahttps?://[^/?#]+}]}/robots.txt"

        # The file that the fault is about; of what a sitemap leaves out, the page's host counts.
        def sitemap_of(entry)
          return entry.url if entry.code == OMITS || @files.key?(entry.url)

          @files.key?(entry.about) ? entry.about : entry.url
        end

        def sets?(kind, entries)
          return false unless kind == "languages"
          return true if entries.any? { |entry| entry.code == NONE }

          entries.group_by(&:code).values.any? { |some| some.map(&:url).uniq.size >= Scopes::TEMPLATE_PAGES }
        end

        # All rules that are the base template's make one fix, all that are a group's template's another.
        def by_scope(kind, entries)
          found = @scopes.call(entries)
          found.base.map { |host, some| draft(kind, host, BASE, some, template: true) } +
            found.template.map { |group, some| draft(kind, group, TEMPLATE, some, template: true) } +
            found.pages.flat_map { |host, some| on_pages(kind, host, some) }
        end

        def on_pages(kind, host, entries)
          now, later = (kind == "content") ? entries.partition { |entry| worth_words?(entry) } : [entries, []]
          portions = Portions.new(hours: hours(kind, host), most: (MOST_PORTIONS if kind == "content"))
          found = portions.call(now, @kept.fetch([kind, host], {}))
          later = found.delete(Portions::REST).to_a + later
          drafts = found.map { |number, some| draft(kind, host, "#{PAGES} #{number}", some) }
          drafts << draft(kind, host, LATER, later) if later.any?
          drafts
        end

        def worth_words?(entry) =
          entry.decided? || entry.wanted || entry.intent != "keep_out" && entry.importance.to_f >= LEAST_IMPORTANCE

        def hours(kind, host) =
          ->(entries) { @effort.of(draft(kind, host, PAGES, entries)) }

        def draft(kind, place, cause, entries, template: false) =
          Draft.new(kind: kind, place: place, cause: cause, template: template, entries: entries)

        # A day's portion each, the most important first.
        def requests(entries)
          entries
            .sort_by { |entry| [-entry.importance.to_f, entry.url] }
            .each_slice(PORTION)
            .map
            .with_index(1) { |some, number| draft("request", NOWHERE, "portion #{number}", some) }
        end
      end
    end
  end
end
