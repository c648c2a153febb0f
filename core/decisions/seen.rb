# frozen_string_literal: true

module IronTrellis
  module Core
    module Decisions
      # Whether a page, as it answers now, is what was decided of it: condition by condition, what is wanted and what
      # was found.
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

        # @param kind [String] of decision: intent, group, canonical, route, repoint or languages
        # @param value [Hash] what was decided, for this page: its pattern is filled already
        # @param page [Page]
        # @param subject [String] what was decided about: of a repoint the old target
        # @return [Array<Condition>]
        def of(kind, value, page, subject: page.url)
          case kind
          when "intent", "group" then intent(value, page)
          when "canonical" then [answers(page), canonical(value["target"], page)]
          when "route" then route(value, page)
          when "repoint" then repoint(subject, value, page)
          when "languages" then languages(value["pages"], page)
          end
        end

        def intent(value, page)
          case value["intent"]
          when "index"
            [answers(page), condition("Noindex", "none", page.noindex ? "noindex" : NONE, !page.noindex), itself(page)]
          when "keep_out"
            [kept_out(page), (nofollow(page, value["follow"]) unless value["follow"].nil?)].compact
          else
            []
          end
        end

        # A noindex that nobody may fetch is never seen.
        def kept_out(page)
          gone = [404, 410].include?(page.status)
          said = page.noindex && !page.moved?
          condition(
            "Kept out of the index",
            "noindex, or gone",
            (
              if said && page.blocked.nil?
                "noindex"
              else
                "#{page.answer}#{", without noindex" unless gone || page.moved? || page.blocked}"
              end
            ),
            gone || page.moved? || (said && page.blocked.nil?)
          )
        end

        def nofollow(page, follow) =
          condition(
            "Links",
            follow ? "followed" : "nofollow",
            page.nofollow ? "nofollow" : "followed",
            !page.nofollow == follow
          )

        def answers(page) =
          condition(
            "Answer",
            "status 200",
            page.moved? ? "redirects to #{page.hops.last.first}" : page.answer,
            page.status == 200 && page.blocked.nil?
          )

        def itself(page) =
          condition("Canonical", "itself, or none", page.canonical || NONE, [nil, page.url].include?(page.canonical))

        def canonical(target, page) = condition("Canonical", target, page.canonical || NONE, page.canonical == target)

        def route(value, page)
          return [condition("Answer", "status 410", page.answer, page.status == 410)] if value["to"].nil?

          found = page.moved? ? "#{page.status} to #{page.hops[1].first}" : page.answer
          last, status = page.hops.to_a.last
          [
            condition(
              "Redirect",
              "#{value["status"]} to #{value["to"]}",
              found,
              page.status == value["status"] && page.hops.to_a.dig(1, 0) == value["to"]
            ),
            condition(
              "Its end",
              "status 200",
              page.moved? ? "status #{status || "unknown"} at #{last}" : page.answer,
              page.moved? && status == 200
            )
          ]
        end

        def repoint(old, value, page)
          links = page.links.to_a
          left = links.count { |target, _| target == old }
          led =
            links.select { |target, text| target == value["target"] && (value["text"].nil? || text == value["text"]) }
          wanted = value["text"] ? "#{value["target"]} with the text “#{value["text"]}”" : value["target"]
          [
            condition(
              "Links to the old address",
              "none",
              left.zero? ? NONE : left.to_s,
              left.zero? && !page.links.nil?
            ),
            condition("Links to the new address", wanted, led.empty? ? NONE : led.size.to_s, led.any?)
          ]
        end

        def languages(pages, page)
          named = page.hreflang.to_a.to_h { |code, target| [code.downcase, target] }
          pages.map do |code, target|
            condition("hreflang #{code}", target, named[code.downcase] || NONE, named[code.downcase] == target)
          end
        end

        def condition(name, wanted, found, holds) =
          Condition.new(name: name, wanted: wanted, found: found, holds: holds ? true : false)

        private_class_method(*(singleton_methods(false) - [:of]))
      end
    end
  end
end
