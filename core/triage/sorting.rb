# frozen_string_literal: true

module IronTrellis
  module Core
    module Triage
      # Sorts what an index left out into classes, and tells what is systematic from what is odd.
      class Sorting
        # One URL, sorted: `kind` is a class of Classes or nil where nothing is known of it.
        Sorted = Struct.new(:page, :kind, :action, :target, :reasons, keyword_init: true)

        # Of so many URLs of a group it can be said what most of them have.
        LEAST_GROUP = 2
        MOST = 0.5
        LEAVE_ALONE = "the only one of its kind in its group, without links and visits: best left alone"
        TURNED_AWAY = %w[turned_away_noindex turned_away_robots].freeze
        OPENED = "the index saw it closed, which it isn't any more: it has to fetch it again"
        NOT_LOOKED_AT = "no crawl knows it, and it was not fetched"

        # @param pages [Enumerable<LeftOut>]
        # @return [Array<Sorted>] by URL in byte order
        def self.of(pages) = new(pages).call

        def initialize(pages)
          @sorted = pages.map { |page| sort(page) }.sort_by { |one| one.page.url.b }
        end

        # @return [Array<Sorted>]
        def call
          @sorted.group_by { |one| one.page.group }.each { |group, members| tell_causes(group, members) }
          @sorted
        end

        private

        def sort(page)
          return Sorted.new(page: page, reasons: [NOT_LOOKED_AT]) unless page.seen

          name, why = Classes.of(page)
          why += [OPENED] if opened?(name, page)
          action = action(name, page)
          Sorted.new(page: page, kind: name, action: action, target: target(name, action, page), reasons: why)
        end

        # The index keeps to what it saw there before.
        def opened?(name, page) = name == "undervalued" && TURNED_AWAY.include?(page.standing)

        # Links of ours to what moved or is gone are to be repointed.
        def action(name, page)
          return "request" if opened?(name, page)

          seen = page.seen
          moved = !seen.blocked && (seen.moves? || seen.status == 410)
          (name == "settled" && moved && page.links_in.positive?) ? "repoint" : Classes::ALL.fetch(name).action
        end

        def target(name, action, page)
          case action
          when "repoint"
            (page.seen.final_url unless page.seen.final_url == page.url)
          when "route"
            page.target&.target
          when "merge"
            page.copy_of || page.kept_under
          end
        end

        def tell_causes(group, members)
          kind, of_kind = members.select(&:kind).group_by(&:kind).max_by { |_, some| some.size }
          return if kind.nil?

          if members.size >= LEAST_GROUP && of_kind.size > members.size * MOST
            of_kind.each do |one|
              one.reasons = ["one cause: #{of_kind.size} of #{members.size} in #{group}", *one.reasons]
            end
          end
          members.each { |one| one.reasons = [*one.reasons, LEAVE_ALONE] if odd?(one, members) }
        end

        # One of its kind that nobody links to and nobody visits.
        def odd?(one, members)
          one.kind && one.kind != "settled" && !one.page.linked? && !one.page.visited? &&
            members.count { |other| other.kind == one.kind } == 1
        end
      end
    end
  end
end
