# frozen_string_literal: true

module IronTrellis
  module Core
    module Workplan
      # Which kind of work mends what: a rule says it of its faults (KIND).
      module Kinds
        ALL = %w[
          server
          robots
          directives
          canonicals
          redirects
          links
          languages
          sitemaps
          content
          request
        ].freeze
        # Of two that gain as much an hour, this comes first: what stops pages, then what leads to them, then words.
        IN_ORDER = %w[
          robots
          server
          directives
          canonicals
          redirects
          links
          languages
          sitemaps
          content
          request
        ].freeze
        # What is mended that no rule found: what was decided and accepted, and what was written at the desk.
        NAMED = {
          "decided-block" => "robots",
          "decided-intent" => "directives",
          "decided-canonical" => "canonicals",
          "accepted-route" => "redirects",
          "accepted-link" => "links",
          "improve" => "content",
          "merge" => "content"
        }.freeze
        # What was decided that takes a URL away: to where it leads, or which other stands for it.
        TAKING = %w[accepted-route decided-canonical merge].freeze
        # What was written at the desk.
        DRAFTED = "drafted-"
        # What takes a URL out of the index for good: a noindex, a redirect, an answer that it is gone; no other
        # directive does. And how many days before its hide ends that has to be done.
        LASTING = %w[stray goal-page-open decided-intent accepted-route merge].freeze
        DAYS_BEFORE_HIDE_ENDS = 7
        # What the index has let go of may be blocked.
        BLOCK = "decided-block"

        module_function

        # @param code [String]
        # @param detail [Hash] of the fault; of a stale page `crawl`, what the crawl saw
        # @param chosen [Boolean] whether a canonical was chosen for the URL
        # @return [String, nil] nil where it makes no fix
        #   Kinds.of("redirect-downgrade") # => "server"
        #   Kinds.of("index-stale", {"crawl" => "noindex"}) # => "directives"
        def of(code, detail = {}, chosen: false)
          return "content" if code.start_with?(DRAFTED)

          NAMED.fetch(code) { Faults::Registry.find(code)&.kind(detail, chosen: chosen) }
        end

        # @param fault [Hash{String => String, nil}] code, url and about
        # @param kept_out [#call] whether a URL is to be kept out of the index
        # @return [Boolean] whether mending it takes the URL out of the index for good
        def lasting?(fault, kept_out)
          LASTING.include?(fault["code"]) && (fault["code"] != "decided-intent" || kept_out.call(fault["url"]))
        end

        # @param code [String]
        # @return [String] what is written anew of a page to mend it (Faults::Rule.element)
        #   Kinds.element("image-no-alt") # => "alt"
        def element(code) = (Faults::Registry.find(code) || Faults::Rule).element
      end
    end
  end
end
