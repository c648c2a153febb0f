# frozen_string_literal: true

module IronTrellis
  module Core
    module Desk
      # The terms of a page: one to three words that stand beside each other in one clause (Wording; compared with case
      # folded). None begins or ends with a word that says nothing by itself or a number; those of one stem are one
      # term, as the page writes it most often.
      class Terms
        SIZES = (1..3)
        NUMBER = /\A[\p{Nd}.,:]+\z/
        CLAUSE_END = /[.!?;:,…|()\[\]{}"“”«»–—]+(?=\s|\z)|(?<=\s)[("“«\[–—-]+/
        # A term: its most used form, its number of words, how often it stands in each element, and how often it stands
        # in the text for each of its words.
        Term = Struct.new(:key, :term, :size, :counts, :share, keyword_init: true)

        # @param page [Page]
        # @param language [String, nil] a tag; that of the page unless given
        def initialize(page, language: page.language)
          @page = page
          @tag = language
          @language = Content::Language.for(language)
        end

        # @return [Array<Term>] what stands in the text most often first
        def call
          @counts = Hash.new { |all, key| all[key] = Hash.new(0) }
          @forms = Hash.new { |all, key| all[key] = Hash.new(0) }
          Page::ELEMENTS.each do |element|
            @page.of(element).each { |text| text.split(CLAUSE_END).each { |clause| count(element, clause) } }
          end
          @counts.map { |key, counts| term(key, counts) }.sort_by { |one| order(one) }
        end

        # @param text [String]
        # @return [Array<String>] stems of the words that say something, in order
        def stems(text) =
          words(text).map { |word| fold(word) }.reject { |word| stop?(word) }.map { |word| @language.stem(word) }

        # @param phrase [String]
        # @param text [String]
        # @return [Integer] how often the phrase stands in it, in whatever form
        def times(phrase, text)
          wanted, present = [phrase, text].map { |one| words(one).map { |word| @language.stem(fold(word)) } }
          return 0 if wanted.empty?

          present.each_cons(wanted.size).count { |some| some == wanted }
        end

        private

        def words(text) = Wording.words(text, @tag)

        def fold(word) = word.downcase(:fold)

        def stop?(word) = @language.stop?(word) || Wording.elided?(word, @tag)

        def count(element, text)
          words = words(text)
          folded = words.map { |word| fold(word) }
          stems = folded.map { |word| @language.stem(word) }
          silent = folded.map { |word| stop?(word) || NUMBER.match?(word) }
          SIZES.each do |size|
            (0..words.size - size).each do |from|
              next if silent[from] || silent[from + size - 1]

              key = stems[from, size].join(" ")
              @counts[key][element] += 1
              @forms[key][words[from, size].join(" ")] += 1
            end
          end
        end

        def term(key, counts)
          size = key.count(" ") + 1
          Term.new(
            key: key,
            term: @forms[key].max_by { |form, times| [times, form] }.first,
            size: size,
            counts: counts,
            share: (@page.words.zero? ? 0.0 : counts["text"] / @page.words.to_f).round(4)
          )
        end

        def order(one) = [-one.counts["text"], -one.counts.values.sum, -one.size, one.term]
      end
    end
  end
end
