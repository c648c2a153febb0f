# frozen_string_literal: true

module IronTrellis
  module Core
    module MissingLinks
      # Pages that speak of the same, gathered around the one among them that has most authority.
      class Topics
        # One topic: the page that leads it, its members with how alike each is to it, the words that tell it, and those
        # that don't link to the page that leads.
        Topic = Struct.new(:leader, :members, :words, :unlinked, keyword_init: true)

        LEAST_LIKENESS = 0.3
        LEAST_PAGES = 3
        MOST = 100
        WORDS = 4
        # Shorter words tell little.
        LEAST_SIGNS = 3

        # @param pages [Array<Page>]
        # @param finder [Finder] of links between them
        def initialize(pages, finder)
          @pages = pages
          @finder = finder
          @likeness = finder.likeness
        end

        # @return [Array<Topic>] the largest first
        def call
          by_id = @pages.to_h { |page| [page.id, page] }
          open = by_id.dup
          topics =
            @pages.sort_by { |page| [-page.authority.to_f, page.url] }.filter_map do |leader|
              next unless open.key?(leader.id)

              alike = @likeness.of_all(leader.id).select { |id, share| share >= LEAST_LIKENESS && open.key?(id) }
              next if alike.size + 1 < LEAST_PAGES

              [leader.id, *alike.keys].each { |id| open.delete(id) }
              topic(leader, alike.map { |id, share| [by_id.fetch(id), share.round(3)] })
            end
          topics.sort_by { |one| [-one.members.size, one.leader.url] }.first(MOST)
        end

        private

        def topic(leader, members)
          members = members.sort_by { |page, share| [-share, page.url] }
          Topic.new(
            leader: leader,
            members: members,
            words: words([leader.id, *members.map { |page, _| page.id }]),
            unlinked: members.map(&:first).reject { |page| page.links.include?(leader.id) }
          )
        end

        def words(ids) =
          @likeness.telling(ids, WORDS * 2).map { |stem| @finder.word(stem) }
            .select { |word| word.length >= LEAST_SIGNS }.first(WORDS)
      end
    end
  end
end
