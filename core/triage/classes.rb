# frozen_string_literal: true

module IronTrellis
  module Core
    module Triage
      # The classes of what an index left out, in their order: the first that fits stands. Each says why, in words, or
      # nothing where it doesn't fit.
      module Classes
        # A class: its name, the act that it proposes, how people call both.
        Kind = Struct.new(:name, :action, :label, :act, keyword_init: true)

        ALL =
          [
            Kind.new(name: "settled", action: "none", label: "Rightly out", act: "Leave it"),
            Kind.new(name: "to_route", action: "route", label: "Gone without a redirect", act: "Redirect it"),
            Kind.new(name: "failing", action: "server", label: "The server fails", act: "Mend the server"),
            Kind.new(name: "shut", action: "open", label: "Closed though it should be indexed", act: "Open it"),
            Kind.new(name: "by_product", action: "close_off", label: "By-product of the site", act: "Keep it out"),
            Kind.new(
              name: "stranded",
              action: "link_or_retire",
              label: "Nothing links to it",
              act: "Link to it, or retire it"
            ),
            Kind.new(name: "too_alike", action: "merge", label: "Too like another page", act: "Merge them"),
            Kind.new(name: "young", action: "request", label: "Too young to tell", act: "Ask for it to be fetched"),
            Kind.new(
              name: "undervalued",
              action: "strengthen",
              label: "Good, and valued too little",
              act: "Strengthen it"
            )
          ].to_h { |kind| [kind.name, kind] }.freeze
        # Answers that say who may come in, not what is there.
        REFUSING = [401, 403, 407, 429].freeze
        # A target for a redirect is worth it from this score on.
        LEAST_SCORE = Redirects::Targets::LEAST_SCORE
        LEAST_WORDS = 50
        YOUNG_DAYS = 28

        module_function

        # @param page [LeftOut] that somebody looked at
        # @return [Array(String, Array<String>)] name of the class, and why
        def of(page)
          return blocked(page) if page.seen.blocked

          ALL.each_key do |name|
            why = send(name, page)
            return name, why if why
          end
        end

        # What isn't asked is told by what is wanted of it.
        def blocked(page)
          return "settled", ["robots.txt keeps it out, as it should"] unless page.wanted

          ["shut", ["robots.txt keeps it from being fetched, and it should be indexed"]]
        end

        def settled(page)
          seen = page.seen
          return ["it leads off the site, to #{seen.final_url}"] if seen.off_site
          return ["it redirects to #{seen.final_url}, which answers"] if seen.moves? && answers?(seen)
          return ["it says that it is gone (410)"] if seen.status == 410
          return unvalued(page) if missing?(page)
          return unless seen.ok?
          return ["its canonical, #{seen.canonical}, is in the index"] if elsewhere?(page) && page.canonical_in_index
          return if page.wanted

          closed(page) && ["it should be kept out, and #{closed(page)}"]
        end

        def to_route(page)
          seen = page.seen
          if seen.moves?
            return (
              (
                if refused?(seen.end_status) || !client_error?(seen.end_status)
                  nil
                else
                  ["it redirects to #{seen.final_url}, which answers #{seen.end_status}"]
                end
              )
            )
          end
          if client_error?(seen.status) && !refused?(seen.status)
            return ["it answers #{seen.status}, and #{worth(page)}"]
          end

          ["it reads like the site's missing page, and #{worth(page)}"] if page.soft_missing && seen.ok?
        end

        def failing(page)
          seen = page.seen
          return ["its redirects run in a circle"] if seen.loop
          if seen.moves? && !answers?(seen)
            return ["it redirects to #{seen.final_url}, which #{failure(seen.end_status, seen.end_error)}"]
          end
          return if seen.moves?

          ["it #{failure(seen.status, seen.error)}"] if seen.status.nil? || seen.status >= 500 || refused?(seen.status)
        end

        def shut(page) = (["it should be indexed, but #{closed(page)}"] if page.wanted && closed(page))

        def by_product(page)
          what = ByProduct.of(page.url, page.seen.content_type, bare_known: page.bare_known)
          return ["it is #{what}"] if what
          return ["it should be kept out, and nothing closes it"] if page.intent == "keep_out"
          return if page.linked? || page.visited? || page.words.to_i >= LEAST_WORDS

          ["nothing links to it, it has #{page.words.to_i} words, and nobody came"]
        end

        def stranded(page)
          return if page.links_in.positive?
          unless page.words.to_i >= LEAST_WORDS || page.visited? || page.dropped || page.outside_links.to_i.positive?
            return
          end

          ["no page of the site links to it", (history(page) if page.visited?)].compact
        end

        def too_alike(page)
          return ["it is a weaker copy of #{page.copy_of}"] if page.copy_of
          return unless page.standing == "kept_elsewhere" && page.kept_under && page.kept_under != page.seen.canonical

          ["the index keeps #{page.kept_under} instead, which it doesn't name as its canonical"]
        end

        def young(page)
          return unless page.standing == "waiting" && page.since && page.standing_date

          days = (page.standing_date - page.since).to_i
          ["the index has known it for #{days} days only"] if days < YOUNG_DAYS
        end

        def undervalued(page)
          ["it answers, is open, has #{page.words.to_i} words, and #{page.links_in} pages link to it"]
        end

        def answers?(seen) = !seen.loop && seen.end_status && (200..299).cover?(seen.end_status)

        def client_error?(status) = status && (400..499).cover?(status)

        def refused?(status) = REFUSING.include?(status)

        def missing?(page) = page.seen.status == 404 || (page.soft_missing && page.seen.ok?)

        # Nobody would miss it.
        def unvalued(page)
          return if page.linked? || page.clicks.to_i.positive? || good_target(page)

          ["it isn't there, nothing links to it, nobody came, and nothing is like it"]
        end

        def worth(page)
          reasons = [
            ("#{page.links_in} pages link to it" if page.links_in.positive?),
            ("#{page.outside_links} pages of other sites link to it" if page.outside_links.to_i.positive?),
            ("it brought #{page.clicks} clicks" if page.clicks.to_i.positive?),
            ("#{good_target(page)} is like it" if good_target(page))
          ].compact
          reasons.empty? ? "nothing says that it is gone for good" : reasons.join(", ")
        end

        def good_target(page) = (page.target && page.target.score >= LEAST_SCORE) ? page.target.target : nil

        def closed(page)
          return "it says noindex" if page.seen.noindex

          "it names #{page.seen.canonical} as its canonical" if elsewhere?(page)
        end

        def elsewhere?(page) = !page.seen.canonical.nil? && page.seen.canonical != page.url

        def failure(status, error)
          return "answers #{status}#{" and lets nobody in" if refused?(status)}" if status

          "gives no answer (#{error || "too many redirects"})"
        end

        def history(page) = "it had #{page.clicks.to_i} clicks and #{page.impressions.to_i} impressions"
        private_class_method(*(instance_methods(false) | private_instance_methods(false)) - [:of])
      end
    end
  end
end
