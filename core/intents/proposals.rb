# frozen_string_literal: true

module IronTrellis
  module Core
    module Intents
      # Proposes what to want of each page group, and of pages that are of another kind than their group, from what the
      # crawl shows. What a sitemap lists, what is marked a key page and what brings visits is never dropped by a
      # blanket rule: it is named and left out.
      class Proposals
        # For a whole group, or for single URLs of it (`urls` is nil then for groups). `except` are pages of the group
        # that stay as they are; `sure` is whether it may be taken with others at once.
        Proposal = Struct.new(:group, :urls, :intent, :reasons, :except, :sure, keyword_init: true)

        # From this share on the kind of its pages is that of the group.
        MOST = 0.6
        # Archives may be worth their place.
        ARCHIVES = ["archive by date", "tag archive", "author archive", "image page"].freeze
        # From this share on its pages matter as a group.
        VALUED = 0.5
        LEAST_PAGES = 3

        # @param pages [Array<Page>]
        # @param decided [Hash{String => String}] intent by group, of those where something was decided
        # @param has_sitemaps [Boolean] whether the site has one
        def initialize(pages, decided, has_sitemaps: true)
          # Whatever order they came in, the same is proposed in the same order.
          @groups = pages.sort_by(&:url).group_by(&:group)
          @decided = decided
          @has_sitemaps = has_sitemaps
          @kinds = pages.to_h { |page| [page.url, Kinds.of(page)] }
        end

        # @return [Array<Proposal>] groups first, the largest first
        def call
          found =
            @groups.sort_by { |group, pages| [-pages.size, group] }.map { |group, pages| [group, pages, kind(pages)] }
          groups = found.filter_map { |group, pages, kind| of_group(group, pages, kind) unless @decided.key?(group) }
          kept_out =
            groups.select { |one| one.intent == "keep_out" }.map(&:group) +
            @decided.select { |_, intent| intent == "keep_out" }.keys
          groups +
            found
              .reject { |group, _, _| kept_out.include?(group) }
              .flat_map { |group, pages, kind| singles(group, pages, kind) }
        end

        private

        # @return [Kinds::Kind, nil] what most of its pages are
        def kind(pages)
          kind, count = pages.filter_map { |page| @kinds[page.url]&.first }.tally.max_by { |_, size| size }
          kind if kind && count >= pages.size * MOST
        end

        def of_group(group, pages, kind)
          if pages.count(&:valued?) >= pages.size * VALUED || (kind.nil? && pages.any?(&:key_page))
            return wanted(group, pages)
          end
          return archive(group, pages, kind) if kind && ARCHIVES.include?(kind.name)

          kind ? keep_out(group, pages, [kind.why, signs_in(pages, kind)]) : little(group, pages)
        end

        # One whose pages have enough of their own is left open.
        def archive(group, pages, kind)
          poor = poor(pages)
          keep_out(group, pages, [kind.why, signs_in(pages, kind), *poor]) if poor.any?
        end

        def keep_out(group, pages, reasons)
          valued = pages.select(&:valued?)
          Proposal.new(
            group: group,
            intent: "keep_out",
            reasons: [*reasons, except(valued)].compact,
            except: valued.map(&:url).sort,
            sure: valued.empty?
          )
        end

        def except(valued)
          return if valued.empty?

          why = [
            ("listed in a sitemap" if valued.any?(&:in_sitemap)),
            ("marked as key pages" if valued.any?(&:key_page)),
            ("visited" if valued.any?(&:visited))
          ].compact.join(" or ")
          if valued.size == 1
            "1 page of it is #{why.sub("key pages", "a key page")} and stays as it is."
          else
            "#{valued.size} pages of it are #{why} and stay as they are."
          end
        end

        # How it was told, by the sign that is there most often.
        def signs_in(pages, kind)
          signs = pages.filter_map { |page| @kinds[page.url] }.select { |one, _| one == kind }.map(&:last)
          "#{signs.size} of #{pages.size} are told by the address and #{signs.tally.max_by { |_, count| count }.first}."
        end

        # No kind that is known, but hardly a word of its own.
        def little(group, pages)
          return if pages.size < LEAST_PAGES || !below?(pages, :unique_share, :little_unique_share)

          listed = pages.count(&:in_sitemap)
          keep_out(
            group,
            pages,
            [*poor(pages), ("No sitemap lists any of them." if @has_sitemaps && listed.zero?)].compact
          )
        end

        def poor(pages)
          own, words = median(pages, :unique_share), median(pages, :words)
          [
            (
              if below?(pages, :unique_share, :little_unique_share)
                "At the median page #{percent(own)} of the words are found on no other page."
              end
            ),
            ("The median page has #{words.round} words." if below?(pages, :words, :thin_words))
          ].compact
        end

        def below?(pages, fact, limit) =
          median(pages, fact)&.then { |value| value < pages.first.limits.public_send(limit) } || false

        def wanted(group, pages)
          return if pages.count(&:indexable).zero?

          listed, own = pages.count(&:in_sitemap), median(pages, :unique_share)
          enough = own && !below?(pages, :unique_share, :little_unique_share)
          Proposal.new(
            group: group,
            intent: "index",
            except: [],
            sure: true,
            reasons: [
              ("#{listed} of the #{pages.size} that answer are listed in a sitemap." if listed.positive?),
              (key_pages(pages) if pages.any?(&:key_page)),
              ("At the median page #{percent(own)} of the words are found on no other page." if enough)
            ].compact
          )
        end

        def key_pages(pages) =
          pages
            .count(&:key_page)
            .then do |count|
              (count == 1) ? "1 of them is marked as a key page." : "#{count} of them are marked as key pages."
            end

        def singles(group, pages, kind_of_group)
          others =
            pages.reject(&:valued?).filter_map { |page| @kinds[page.url]&.then { |kind, sign| [page, kind, sign] } }
          others
            .reject { |_, kind, _| kind == kind_of_group || ARCHIVES.include?(kind.name) }
            .group_by { |_, kind, _| kind }
            .sort_by { |kind, ones| [-ones.size, kind.name] }
            .map do |kind, ones|
              signs = ones.map(&:last).uniq.join(", or ")
              Proposal.new(
                group: group,
                urls: ones.map { |page, _, _| page.url }.sort,
                intent: "keep_out",
                reasons: [kind.why, "Told by the address and #{signs}."],
                except: [],
                sure: true
              )
            end
        end

        def median(pages, fact) =
          pages.filter_map(&fact).sort.then { |values| values[(values.size - 1) / 2] if values.any? }

        def percent(share) =
          (share * 100).then { |value| "#{(value < 10) ? value.round(1).to_s.delete_suffix(".0") : value.round} %" }
      end
    end
  end
end
