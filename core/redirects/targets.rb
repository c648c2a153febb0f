# frozen_string_literal: true

module IronTrellis
  module Core
    module Redirects
      # Suggests where a lost address should lead, with the reasons: to the same content, else to what is called the
      # same, else to the nearest folder; the home page is the last resort; and what nothing links to and nothing is
      # like may say that it is gone (common practice).
      class Targets
        # `title`, `lang` and `text` as an earlier crawl knew them, nil where none did; `anchors` are the texts of links
        # that lead here, `links_in` the pages that link here, `uses` all that refer to it in whichever way; `key_page`
        # and `listed` are whether it is marked as one and whether a sitemap lists it.
        Lost =
          Struct.new(
            :url,
            :title,
            :lang,
            :text,
            :anchors,
            :links_in,
            :uses,
            :key_page,
            :listed,
            :outside_links,
            :clicks,
            keyword_init: true
          ) do
            # @return [Boolean] whether it is worth more than to be given up
            def valued? = key_page || listed || links_in >= self.class::MANY_LINKS || brought?

            # @return [Boolean] whether other sites link to it, or people came to it from a search
            def brought? = outside_links.to_i.positive? || clicks.to_i.positive?
          end
        # Linked from so many pages an address is worth a redirect.
        Lost::MANY_LINKS = 3

        MISTYPED = 97
        SAME_TEXT = 95
        SAME_TITLE = 85
        SAME_SLUG = 80
        SAME_CODE = 75
        CALLED_SO = 70
        NEAR_SLUG = 65
        FOLDER = 20
        GONE = 15
        HOME = 5
        # From which similarity on an address, or a title, is taken for nearly the same.
        LEAST_SLUG = 0.6
        LEAST_TITLE = 0.5
        FURTHER_REASON = 4
        OTHER_LANGUAGE = -30
        # From this score on something is alike, and from this on good enough to be proposed.
        ALIKE = 35
        LEAST_SCORE = 60
        MOST = 5

        # @param pages [LivePages]
        # @param languages [Languages::OfPlaces] which language is spoken where
        def initialize(pages, languages)
          @pages = pages
          @languages = languages
        end

        # @param lost [Lost]
        # @return [Array<Suggestion>] the best first, never empty
        def for(lost)
          alike = alike(lost)
          found = alike.select { |one| one.score >= ALIKE }
          return fallbacks(lost) if found.empty?
          return found.first(MOST) if found.first.score >= LEAST_SCORE

          # Whether it may be given up is said beside what is hardly alike.
          found.first(MOST - 1) << gone(lost)
        end

        private

        def alike(lost)
          found = Hash.new { |all, page| all[page] = [] }.compare_by_identity
          reasons(lost) { |page, score, why| found[page] << [score, why] unless page.url == lost.url }
          found
            .map { |page, all| suggestion(lost, page, all) }
            .sort_by { |one| [-one.score, -importance(one.target), one.target] }
        end

        def reasons(lost, &block)
          slug = Naming.slug(lost.url)
          Faults::LikelyCause.meant(lost.url).each { |url, why| (page = @pages.at(url)) && yield(page, MISTYPED, why) }
          each(@pages.with_text(lost.text), SAME_TEXT, "its text is the same", &block)
          each(@pages.with_title(lost.title), SAME_TITLE, "its title is the same", &block)
          each(@pages.with_slug(slug), SAME_SLUG, "the last part of its address is the same", &block)
          Naming
            .codes("#{slug} #{lost.title}")
            .each { |code| each(@pages.with_code(code), SAME_CODE, "it has the code #{code.upcase}, too", &block) }
          @pages
            .near_slug(slug, LEAST_SLUG)
            .each do |page, alike|
              block.call(page, (NEAR_SLUG * alike).round, "its address is nearly the same (#{percent(alike)})")
            end
          lost.anchors.uniq.first(MOST).each { |text| called(text, &block) }
        end

        def called(text)
          @pages
            .near_title(text, LEAST_TITLE)
            .each do |page, alike|
              yield page, (CALLED_SO * alike).round, "links say “#{text}”, which its title says as well"
            end
        end

        def each(pages, score, why) = pages.each { |page| yield page, score, why }

        def suggestion(lost, page, reasons)
          ordered = reasons.sort_by { |score, why| [-score, why] }.uniq(&:last)
          mine = @languages.of(lost.url, lost.lang)
          same = mine == @languages.of(page.url, page.lang)
          # A mistyped link means what it means, in whichever language.
          fits = same || mine.nil? || ordered.first.first == MISTYPED
          score = [ordered.first.first + FURTHER_REASON * (ordered.size - 1), 99].min + (fits ? 0 : OTHER_LANGUAGE)
          Suggestion.new(
            target: page.url,
            status: 301,
            score: [score, 0].max,
            reasons: ordered.map(&:last) + language(mine, same)
          )
        end

        def language(mine, same)
          return [] if mine.nil?

          [same ? "it is in the same language" : "it is in another language"]
        end

        def fallbacks(lost)
          [folder(lost), gone(lost), home(lost)].compact.sort_by { |one| -one.score }
        end

        # Of what is worth something nobody says that it is gone before everything else was thought of.
        def gone(lost)
          unused = (lost.uses || lost.links_in).zero? && !lost.brought?
          score =
            if lost.valued?
              0
            else
              unused ? GONE + FOLDER : GONE
            end
          Suggestion.new(
            target: nil,
            status: Route::GONE,
            score: score,
            reasons: [("nothing refers to it" if unused), "nothing is like it", (worth(lost) if lost.valued?)].compact
          )
        end

        def worth(lost)
          why = [
            ("it is a key page" if lost.key_page),
            ("#{lost.outside_links} pages of other sites link to it" if lost.outside_links.to_i.positive?),
            ("it brought #{lost.clicks} clicks" if lost.clicks.to_i.positive?),
            ("a sitemap lists it" if lost.listed),
            ("#{lost.links_in} pages link to it" if lost.links_in >= Lost::MANY_LINKS)
          ].compact
          "but #{why.join(" and ")}"
        end

        def folder(lost)
          page = @pages.folder_above(lost.url)
          if page && page.url != lost.url
            Suggestion.new(
              target: page.url,
              status: 301,
              score: FOLDER,
              reasons: ["it is the folder that the address was in"]
            )
          end
        end

        def home(lost)
          page = @pages.homes[lost.url[%r{\Ahttps?://[^/]+}]]
          if page
            Suggestion.new(
              target: page.url,
              status: 301,
              score: HOME,
              reasons: ["nothing else is left: the home page is a last resort"]
            )
          end
        end

        def importance(url) = @pages.at(url).importance || 0

        def percent(share) = "#{(share * 100).round}%"
      end
    end
  end
end
