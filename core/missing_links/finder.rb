# frozen_string_literal: true

module IronTrellis
  module Core
    module MissingLinks
      # Finds pages that speak of another page of the site and don't link to it: the sentence and the words in it that
      # would carry the link.
      class Finder
        # One link that should be.
        Proposal =
          Struct.new(:source, :target, :sentence, :words, :likeness, :authority, keyword_init: true)

        # More new links on one page, and to one page, are no help to anybody.
        MOST_OF_SOURCE = Decisions::Kinds::Link::MOST
        MOST_OF_TARGET = 8
        MOST_TARGETS = 500
        SENTENCE_END = /(?<=[.!?…])\s+/
        MOST_SENTENCE = 400
        # A phrase of one word has to be one that few pages say: at most one in so many.
        RARE = 20
        NUMBER = /\A\d/
        # So alike two pages have to be, at least a little.
        LEAST_LIKENESS = 0.02

        # @param pages [Array<Page>]
        def initialize(pages)
          @pages = pages
          @stems = {}
          @names = Names.new(pages)
          @likeness = Likeness.new(pages.to_h { |page| [page.id, stems(page)] })
        end

        # @return [Likeness]
        attr_reader :likeness

        # @param stem [String]
        # @return [String] the word of that stem that is used most
        def word(stem)
          @forms ||= {}
          @forms[stem] ||= forms(stem).max_by { |form, times| [times, form] }&.first || stem
        end

        # @return [Array<Proposal>] what helps the most important pages first
        def call
          given = Hash.new(0)
          targets.flat_map { |target| of(target, given) }
        end

        private

        def forms(stem)
          holders.fetch(stem, []).first(MOST_OF_TARGET).flat_map { |page| surface(page, stem) }.tally
        end

        def surface(page, stem) =
          sentences(page).flat_map { |sentence, words|
            words.filter_map { |one, from, to| Names.fold(sentence[from...to]) if one == stem }
          }

        def targets =
          @pages.select(&:wanted).max_by(MOST_TARGETS) { |page| [page.importance.to_f, page.url] }

        def of(target, given)
          open =
            speaking_of(target).reject do |page|
              page.id == target.id || page.links.include?(target.id) || full?(page, given) || foreign?(page, target)
            end
          found = open.filter_map { |page| proposal(page, target) }
          found.max_by(MOST_OF_TARGET) { |one| [one.likeness * (1 + rank(one.source)), one.source.url] }
            .each { |one| given[one.source.id] += 1 }
        end

        # Pages that say all words of one of its phrases.
        def speaking_of(target) =
          phrases(target).flat_map { |phrase|
            rarest = terms(phrase).map { |stem| holders.fetch(stem, []) }.min_by(&:size)
            rarest.select { |page| held?(page, phrase) }
          }.uniq(&:id)

        # Readers are led to what they can read (common practice); pages of other languages are tied by hreflang.
        def foreign?(page, target)
          one, other = [page, target].map { |each| each.language.to_s.downcase[/\A[a-z]+/] }
          one && other && one != other
        end

        def full?(page, given) = given[page.id] >= MOST_OF_SOURCE

        # Between 0 and 1: what part of all pages have less authority to give.
        def rank(page)
          @ranks ||=
            begin
              sorted = @pages.sort_by { |one| one.authority.to_f }
              sorted.each_with_index.to_h { |one, place| [one.id, place / @pages.size.to_f] }
            end
          @ranks.fetch(page.id)
        end

        def proposal(page, target)
          sentence, words = place(page, target)
          return unless words

          alike = @likeness.of(page.id, target.id)
          return if alike < LEAST_LIKENESS

          Proposal.new(
            source: page,
            target: target,
            sentence: sentence,
            words: words,
            likeness: alike.round(3),
            authority: page.authority
          )
        end

        # Where the page says the longest of the target's phrases that it does say.
        def place(page, target)
          phrases(target).each do |phrase|
            found = said(page, phrase, target) if held?(page, phrase)
            return found if found
          end
          nil
        end

        # Stems and numbers of each phrase, the longest first.
        def phrases(target)
          (@phrases ||= {})[target.id] ||=
            [*target.phrases, *target.queries.reject { |query| @names.shared?(query, target) }]
              .map { |phrase| words(phrase, target.language).map(&:first) }
              .reject { |stems| terms(stems).empty? || stems.size == 1 && common?(stems.first, target.language) }
              .uniq
              .sort_by { |stems| -stems.size }
        end

        # Among the pages of that language.
        def common?(stem, language)
          @languages ||= @pages.map(&:language).tally
          holders.fetch(stem, []).count { |page| page.language == language } * RARE > @languages.fetch(language, 0)
        end

        def held?(page, phrase) = terms(phrase).all? { |stem| known(page).key?(stem) }

        # By numbers alone nothing is looked for.
        def terms(stems) = stems.grep_v(NUMBER)

        def known(page) = (@known ||= {})[page.id] ||= stems(page).to_h { |stem| [stem, true] }

        # By stem the pages that say it.
        def holders
          @holders ||=
            @pages.each_with_object({}) do |page, found|
              known(page).each_key { |stem| (found[stem] ||= []) << page }
            end
        end

        # The first sentence in which the words stand beside each other, whatever says nothing between them, and are
        # part neither of what another page is called nor of a link.
        def said(page, phrase, target)
          sentences(page).each do |sentence, words|
            runs = words.each_cons(phrase.size).select { |some| some.map(&:first) == phrase }
            places = runs.map { |some| some.first[1]...some.last[2] }
            place =
              places.find { |one| !@names.within?(sentence, one, target) && !linked?(page, sentence, one) } or next
            return sentence[0, MOST_SENTENCE], sentence[place]
          end
          nil
        end

        def linked?(page, sentence, place)
          page.link_texts.any? do |text|
            from = sentence.rindex(text, place.begin)
            from && from + text.size >= place.end
          end
        end

        # Each with its words that say something: stem, from and to.
        def sentences(page)
          (@sentences ||= {})[page.id] ||=
            page.blocks.flat_map { |block| block.split(SENTENCE_END) }.map { |one| [one, words(one, page.language)] }
        end

        def words(sentence, language)
          speech = Content::Language.for(language)
          Names.words(sentence).filter_map { |word, from, to| [speech.stem(word), from, to] unless speech.stop?(word) }
        end

        def stems(page) = @stems[page.id] ||= stem(page.blocks.join("\n"), page.language)

        def stem(text, language)
          speech = Content::Language.for(language)
          words = text.scan(Content::Words::WORD).map { |word| Names.fold(word) }
          words.reject { |word| speech.stop?(word) || word.match?(NUMBER) }.map { |word| speech.stem(word) }
        end
      end
    end
  end
end
