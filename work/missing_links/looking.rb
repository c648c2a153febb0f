# frozen_string_literal: true

module IronTrellis
  module Work
    module MissingLinks
      # Works out which links should be on the site, and what its topics are.
      class Looking
        # @param site [Store::Sites::Site]
        # @param now [Time]
        def initialize(site, now:)
          @site, @now = site, now
        end

        # @return [Integer] how many links should be
        def call
          run = @site.newest_verdicts
          pages = Store::MissingLinks::Pages.new(run).call
          finder = Core::MissingLinks::Finder.new(pages)
          proposals = finder.call
          topics = Core::MissingLinks::Topics.new(pages, finder).call
          Store::MissingLinks::Found.keep(
            @site,
            crawl_id: run.crawl_id,
            proposals: proposals.map { |one| proposal(one) },
            topics: topics.map { |one| topic(one) },
            made_at: @now
          )
          proposals.size
        end

        private

        def proposal(one) =
          {
            source: one.source.url,
            source_id: one.source.id.to_s,
            source_title: one.source.title,
            target: one.target.url,
            target_id: one.target.id.to_s,
            target_title: one.target.title,
            importance: one.target.importance,
            sentence: one.sentence,
            words: one.words,
            likeness: one.likeness
          }

        def topic(one) =
          {
            words: one.words,
            leader: page(one.leader),
            members: one.members.map { |member, share| page(member).merge(likeness: share) },
            unlinked: one.unlinked.map(&:url)
          }

        def page(one) = {url: one.url, url_id: one.id.to_s, title: one.title}
      end
    end
  end
end
