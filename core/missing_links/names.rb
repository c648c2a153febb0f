# frozen_string_literal: true

module IronTrellis
  module Core
    module MissingLinks
      # What the pages of a site are called, word by word and number by number: words that stand within a longer name
      # speak of the page of that name. "The HB-12 solar beacon" says nothing of the HB-9, which is a solar beacon, too.
      class Names
        # What more other pages are called, too, is the name of a kind of thing (ours).
        MOST_SHARED = 3

        # @param word [String]
        # @return [String] as words are compared
        def self.fold(word) = word.unicode_normalize(:nfkc).downcase(:fold)

        # @param text [String] a phrase or a sentence
        # @return [Array<Array(String, Integer, Integer)>] its words as they are compared, each with where it begins and
        #   ends, in characters
        # @example
        #   Names.words("An HB-9") # => [["an", 0, 2], ["hb", 3, 5], ["9", 6, 7]]
        def self.words(text)
          found = []
          text.scan(Content::Words::WORD) { |word| found << [fold(word), *Regexp.last_match.offset(0)] }
          found
        end

        # @param pages [Array<Page>]
        def initialize(pages)
          @by_first = {}
          @by_word = {}
          pages.each { |page| page.phrases.each { |phrase| keep(words(phrase).map(&:first), page.id) } }
        end

        # @param query [String] that a page is found for
        # @param target [Page] that page
        # @return [Boolean] whether it stands in what several other pages are called, so that it tells of none of them
        def shared?(query, target)
          words = words(query).map(&:first)
          others =
            @by_word.fetch(words.first, []).select { |name, page| page != target.id && within_name?(words, name) }
          others.map(&:last).uniq.size > MOST_SHARED
        end

        # @param sentence [String]
        # @param place [Range<Integer>] of the words, in characters
        # @param target [Page]
        # @return [Boolean] whether they stand within a longer name of another page
        def within?(sentence, place, target)
          words = words(sentence)
          words.each_index.any? do |at|
            @by_first.fetch(words[at].first, []).any? do |name, page|
              page != target.id && longer?(words[at, name.size], name, place)
            end
          end
        end

        private

        def keep(name, page)
          (@by_first[name.first] ||= []) << [name, page] if name.size > 1
          name.uniq.each { |word| (@by_word[word] ||= []) << [name, page] }
        end

        def within_name?(words, name) = name.each_cons(words.size).include?(words)

        def longer?(some, name, place)
          return false unless some.map(&:first) == name

          from, to = some.first[1], some.last[2]
          from <= place.begin && to >= place.end && to - from > place.size
        end

        def words(text) = self.class.words(text)
      end
    end
  end
end
