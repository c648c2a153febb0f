# frozen_string_literal: true

module IronTrellis
  module Core
    module Decisions
      # What a decision is held against when it is looked whether a page, as it answers now, is what was decided of it:
      # condition by condition, what is wanted and what was found (Kind#seen).
      module Seen
        # `found` is in words; `holds` says whether it is what is wanted.
        Condition = Struct.new(:name, :wanted, :found, :holds, keyword_init: true)
        # One page as it answers: `blocked` is the rule of robots.txt that forbids to ask (nil where none does), `hops`
        # [[url, status]] with the address asked for first; the rest is of the page that it ends at: noindex, nofollow,
        # canonical, links [[target, text]], hreflang [[code, target]].
        Page =
          Struct.new(
            :url,
            :blocked,
            :error,
            :hops,
            :noindex,
            :nofollow,
            :canonical,
            :links,
            :hreflang,
            keyword_init: true
          ) do
            # @return [Integer, nil] of the address itself
            def status = hops&.first&.last

            # @return [String] how the address itself answers, in words
            def answer =
              if blocked
                "robots.txt forbids to ask: #{blocked}"
              else
                status&.then { |code| "status #{code}" } || error || "no answer"
              end

            # @return [Boolean]
            def moved? = hops.to_a.size > 1
          end
        NONE = "none"

        module_function

        # @param name [String]
        # @param wanted [String]
        # @param found [String]
        # @param holds [Object] true where it is what is wanted
        # @return [Condition]
        def condition(name, wanted, found, holds) =
          Condition.new(name: name, wanted: wanted, found: found, holds: holds ? true : false)

        # @param page [Page]
        # @return [Condition] that it answers 200 under its own address
        def answers(page) =
          condition(
            "Answer",
            "status 200",
            page.moved? ? "redirects to #{page.hops.last.first}" : page.answer,
            page.status == 200 && page.blocked.nil?
          )

        # @param name [String] of what a page names in some place
        # @param target [String]
        # @param found [String, nil] what it names there
        # @return [Condition] that it names the target
        def names(name, target, found) = condition(name, target, found || NONE, found == target)
      end
    end
  end
end
