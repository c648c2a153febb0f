# frozen_string_literal: true

module IronTrellis
  module Core
    module Decisions
      # What shows on a page whether it is indexed or kept out as is wished.
      module Wished
        module_function

        # @param value [Hash] intent and follow
        # @param page [Seen::Page]
        # @return [Array<Seen::Condition>]
        def seen(value, page)
          case value["intent"]
          when "index" then [Seen.answers(page), indexable(page), itself(page)]
          when "keep_out" then [kept_out(page), (nofollow(page, value["follow"]) unless value["follow"].nil?)].compact
          else
            []
          end
        end

        def indexable(page) =
          Seen.condition("Noindex", "none", page.noindex ? "noindex" : Seen::NONE, !page.noindex)

        # A noindex that nobody may fetch is never seen.
        def kept_out(page)
          gone = [404, 410].include?(page.status)
          said = page.noindex && !page.moved?
          Seen.condition(
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
          Seen.condition(
            "Links",
            follow ? "followed" : "nofollow",
            page.nofollow ? "nofollow" : "followed",
            !page.nofollow == follow
          )

        def itself(page) =
          Seen.condition(
            "Canonical",
            "itself, or none",
            page.canonical || Seen::NONE,
            [nil, page.url].include?(page.canonical)
          )

        private_class_method :indexable, :kept_out, :nofollow, :itself
      end
    end
  end
end
