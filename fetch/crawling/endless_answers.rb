# frozen_string_literal: true

module IronTrellis
  module Fetch
    module Crawling
      # Watches hosts that answer every address with a page, and tells which pages are that answer: their links lead on
      # for ever, into addresses that the server never heard of. Where it isn't sure a page is taken for one.
      class EndlessAnswers
        Said = Core::Content::Said
        MainText = Core::Copies::MainText

        def initialize
          @missing = {}
          @homes = {}
        end

        # @param url [String] made up, to which the host answered with a page
        # @param facts [Core::Page::Facts]
        # @return [void]
        def learn(url, facts) = @missing[authority(url)] ||= [url, facts]

        # @param outcome [Core::Crawling::Outcome] of a page
        # @return [Boolean] whether it says what the host says of whatever isn't there
        def answer?(outcome)
          url, facts = outcome.item.url, outcome.facts
          return false unless facts&.words&.positive? && facts.kind == "html"

          host = authority(url)
          home = @homes[host] ||= [url, lines(facts)]
          return false if home.first == url || !@missing.key?(host)

          alike?(host, home.last, url, facts)
        end

        private

        def alike?(host, home, url, facts)
          made_up, answer = @missing[host]
          missing =
            Core::Content::MissingPage.new(title: answer.title, text: answer.text, said: said(answer, made_up, home))
          missing.sure? && missing.like?(title: facts.title, text: facts.text, said: said(facts, url, home))
        end

        def said(facts, url, home)
          all = facts.text.split("\n")
          Said.of(
            all,
            numbers: MainText.numbers(all.size, facts.frames) - facts.menus,
            headings: facts.outline.map(&:last),
            url: url,
            home: home
          )
        end

        def lines(facts) = facts.text.split("\n").to_h { |line| [line, true] }

        def authority(url) = url[%r{\Ahttps?://([^/]+)}, 1]
      end
    end
  end
end
