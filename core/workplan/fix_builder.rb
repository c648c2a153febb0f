# frozen_string_literal: true

module IronTrellis
  module Core
    module Workplan
      # Makes fixes of what is to be mended, each entry in exactly one: what one person can do in one go.
      class FixBuilder
        # A template's doing, from so many pages of a group on and on more than half of them.
        LEAST_PAGES = 5
        SHARE = 0.5
        # So many pages make a fix of content, and requests of a day.
        PORTION = 10
        BY_PAGES = %w[directives canonicals links].freeze
        OMITS = "sitemap-omits"
        # Of a site that names no language all pages get their lines, from one template.
        NONE = "hreflang-none"
        NOWHERE = "site"

        # @param pages [Hash{String => Integer}] by group, how many HTML pages of it answer 200 themselves
        # @param layouts [Layouts]
        # @param files [Hash{String => Boolean}] addresses of sitemap files that are known
        def initialize(pages:, layouts:, files: {})
          @pages = pages
          @layouts = layouts
          @files = files
        end

        # @param entries [Array<Entry>]
        # @param kept [Hash{String => Integer}] by URL, the portion of content that it was in before, as "GROUP URL"
        # @return [Array<Draft>]
        def call(entries, kept: {})
          @kept = kept
          work, settles = Settling.call(entries)
          by_kind = work.select(&:kind).group_by(&:kind)
          drafts = Kinds::ALL.flat_map { |kind| drafts(kind, by_kind.fetch(kind, [])) }.reject(&:idle?)
          drafts.each { |draft| draft.settles = draft.entries.flat_map { |entry| settles.fetch(entry, []) } }
        end

        private

        def drafts(kind, entries)
          case kind
          when "content"
            content(entries)
          when "request"
            requests(entries)
          when *BY_PAGES
            by_group(kind, entries)
          else
            by_place(kind, entries)
          end
        end

        def by_place(kind, entries)
          entries
            .group_by { |entry| [place(kind, entry), cause(kind, entry)] }
            .map do |(place, cause), some|
              template =
                (kind == "server") ? of_server?(cause, place, some) : sets?(kind, some)
              Draft.new(kind: kind, place: place, cause: cause, template: template, entries: some)
            end
        end

        def of_server?(cause, place, entries) =
          cause != Settling::SECTION && !Kinds::VARIANTS.match?(cause) && template?(cause, place, entries)

        def place(kind, entry)
          case kind
          when "server"
            return "#{host(entry.url)}#{entry.about}" if entry.code == Settling::SECTION

            Kinds::VARIANTS.match?(entry.code) ? host(entry.url) : group(entry)
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

        def cause(kind, entry)
          return ((entry.code == Kinds::BLOCK) ? "block" : "open") if kind == "robots"

          {"redirects" => "map", "sitemaps" => "files", "languages" => "sets"}[kind] || entry.code
        end

        # What is of a group as a whole is about it.
        def group(entry) = (entry.url ? entry.group : entry.about) || NOWHERE

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

          entries.group_by(&:code).values.any? { |some| some.map(&:url).uniq.size >= LEAST_PAGES }
        end

        # All rules that are a template's in a group make one fix, the rest another.
        def by_group(kind, entries)
          entries
            .group_by { |entry| group(entry) }
            .flat_map do |group, some|
              shared, own = some.partition { |entry| entry.url.nil? || template?(entry.code, group, some) }
              {"template" => shared, "pages" => own}.reject { |_, part| part.empty? }
                .map do |cause, part|
                  Draft.new(kind: kind, place: group, cause: cause, template: cause == "template", entries: part)
                end
            end
        end

        def template?(code, group, entries)
          pages = @pages.fetch(group, 0)
          return false if pages < LEAST_PAGES

          (@urls ||= {}.compare_by_identity)[entries] ||= entries
            .group_by(&:code)
            .transform_values { |some| some.map(&:url).uniq.size }
          @urls[entries].fetch(code, 0) > SHARE * pages
        end

        def content(entries)
          entries
            .group_by { |entry| group(entry) }
            .flat_map do |group, some|
              shared, own = some.partition { |entry| template?(entry.code, group, some) }
              templates =
                shared
                  .group_by(&:code)
                  .map do |code, part|
                    Draft.new(kind: "content", place: group, cause: "template #{code}", template: true, entries: part)
                  end
              templates + portions(group, own)
            end
        end

        # Ten pages at most, a page never apart; those that were in a portion stay in it, new ones fill the last.
        def portions(group, entries)
          by_url = entries.group_by(&:url)
          portions = Hash.new { |all, number| all[number] = [] }
          open = by_url.keys.sort_by { |url| [-by_url[url].first.importance.to_f, url.to_s] }
          open.reject! { |url| (number = @kept["#{group} #{url}"]) && portions[number] << url }
          open.each do |url|
            last = portions.keys.max || 1
            last += 1 if portions[last].size >= PORTION
            portions[last] << url
          end
          portions.sort.map do |number, urls|
            Draft.new(
              kind: "content",
              place: group,
              cause: "pages #{number}",
              template: false,
              entries: urls.flat_map { |url| by_url[url] }
            )
          end
        end

        # A day's portion each, the most important first.
        def requests(entries)
          entries
            .sort_by { |entry| [-entry.importance.to_f, entry.url] }
            .each_slice(PORTION)
            .map
            .with_index(1) do |some, number|
              Draft.new(kind: "request", place: NOWHERE, cause: "portion #{number}", template: false, entries: some)
            end
        end
      end
    end
  end
end
