# frozen_string_literal: true

require "json"

module IronTrellis
  module Work
    module Proofs
      # Reads an answer that just came as a crawl would read it, and joins it with what the crawl knew of the page
      # besides: the rules see a page as it is now at the place where it was.
      class PageLook
        COLUMNS = Store::Pages::FactsRows::COLUMNS.fetch("page_facts")
        # What the answer itself tells.
        SEEN = COLUMNS & Core::Faults::Subject.members.map(&:to_s)
        NOBODY = Core::Faults::Subject.new(found_by: [], in_sitemaps: [], links_in: 0, followed_in: 0,
          wanted: false).freeze
        PAGE = Store::Crawling::Frontier::PURPOSES.fetch(:page)
        ANCHORS = %w[anchor].freeze
        OUT = %w[anchor frame].freeze

        # @param run [Store::Judging::VerdictRun]
        # @param clock [#call] gives the time
        def initialize(run, clock:)
          crawl = run.crawl
          @site = crawl.site
          @settings = crawl.crawl_settings
          @scope = @settings.scope
          @ids = Store::Crawling::UrlIds.new(@site.id, @scope)
          @facts = Store::Pages::FactsRows.new(crawl, ids: @ids, now: clock)
          @reader = Core::Page::Reader.new(agent: @settings.agent)
          @intent_rules = @site.intent_rules
          @limits = @site.limits
          @canonicals = @site.chosen_canonicals
        end

        # @param parts [Core::Url::Parts] of the page
        # @param answer [Core::Crawling::Answer]
        # @return [Core::Page::Facts, nil]
        def read(parts, answer) = @reader.answered(parts, answer)

        # @param parts [Core::Url::Parts]
        # @param decision [Core::Robots::Policy::Decision, nil]
        # @param answer [Core::Crawling::Answer, nil] nil where it wasn't asked for
        # @param facts [Core::Page::Facts, nil]
        # @param end_of [Hash{Symbol => Object}] hops, status (at the end) and loop
        # @param known [Core::Faults::Subject, nil] what the crawl knew
        # @return [Core::Proofs::View]
        def view(parts, decision, answer, facts, end_of, known)
          url = parts.to_s
          row = row(url, decision, answer, facts, end_of[:hops].first)
          subject = (known || NOBODY).dup
          SEEN.each { |name| subject[name] = row[name] }
          place(subject, url)
          write(subject, row, facts, end_of)
          Core::Proofs::View.new(subject: subject, facts: facts, hops: end_of[:hops])
        end

        private

        # As the database would give it back.
        def row(url, decision, answer, facts, redirect_to)
          outcome =
            Core::Crawling::Outcome.new(
              item: Store::Crawling::Frontier::Item.new(@ids.of(url), url, PAGE, 0, 0),
              decision: decision,
              answer: answer,
              facts: facts,
              redirect_to: (redirect_to if answer&.redirect?)
            )
          JSON.parse(JSON.generate(COLUMNS.zip(@facts.call([outcome])["page_facts"].first).to_h))
        end

        def place(subject, url)
          rule = @intent_rules.rule_for(url)
          subject.url = url
          subject.group = @intent_rules.group(url)
          subject.intent = rule&.intent || "undecided"
          subject.follow = rule&.follow
          subject.chosen_canonical = @canonicals.for(url)
          subject.wanted = @intent_rules.wanted?(url, listed: subject.in_sitemaps.any?, intent: subject.intent)
        end

        def write(subject, row, facts, end_of)
          subject.title = row["titles"]&.first
          subject.title_chars = subject.title&.length
          subject.description_chars = row["description"]&.length
          subject.directives = Judging::ReadFacts.directives(row, @settings.agent)
          subject.canonicals = Judging::ReadFacts.canonicals(row, subject.url)
          subject.canonical_off_site = !subject.canonical.nil? && !@scope.host?(subject.canonical)
          subject.links_out = links_out(facts, subject.url)
          subject.main_words = facts&.text && main_words(facts)
          subject.unfollowed = unfollowed(facts)
          move(subject, end_of)
          climb = Core::Ladder::Climb.new(evidence(subject, row))
          subject.indexable = climb.indexable?
          subject.stop = climb.stop
        end

        def main_words(facts)
          lines = facts.text.split("\n")
          Core::Copies::MainText.words(lines, Core::Copies::MainText.spoken(lines.size, facts.frames, facts.menus))
        end

        def links_out(facts, url) =
          facts&.words &&
            facts
              .links
              .select { |link| OUT.include?(link.type) && link.target != url }
              .map { |link| [link.type, link.target] }
              .uniq
              .size

        # Pages of the site that it names without letting crawlers follow, but for those that are to be kept out.
        def unfollowed(facts)
          (facts&.links || [])
            .select { |link| ANCHORS.include?(link.type) && !link.followed && @scope.host?(link.target) }
            .map(&:target)
            .uniq
            .reject { |url| @intent_rules.rule_for(url)&.intent == "keep_out" }
        end

        def move(subject, end_of)
          hops = end_of[:hops]
          subject.redirect_to = hops.first
          subject.redirect_chain = hops
          subject.redirect_loop = end_of[:loop] || false
          subject.redirect_off_site = hops.any? { |hop| !@scope.host?(hop) }
          subject.final_url = (hops.last || subject.url unless end_of[:loop])
          subject.final_status = (hops.empty? ? subject.status : end_of[:status])
        end

        # Whether its words read as missing is for a crawl to say; new ones do not.
        def evidence(subject, row)
          Core::Ladder::Evidence.of(
            subject,
            fetched: true,
            robots_reachable: true,
            soft_missing: false,
            redirect_to: row["redirect_to"],
            refresh_to: row["refresh_to"],
            word_floor: @limits.for(subject.group).word_floor
          )
        end
      end
    end
  end
end
