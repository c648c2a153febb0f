# frozen_string_literal: true

module IronTrellis
  module Core
    module Intents
      # Kinds of pages that hardly ever belong into an index, told by their addresses and titles (common practice).
      module Kinds
        # `pattern` matches their URLs, `title` their titles in lower case, either is enough; `why` is for people.
        Kind = Struct.new(:name, :pattern, :title, :why, keyword_init: true) do
          # @param url [String]
          # @param called [String, nil] its title
          # @return [Boolean]
          def like?(url, called) = url.match?(pattern) || ((title && called) ? called.downcase.match?(title) : false)
        end

        ALL = [
          Kind.new(name: "account", pattern: %r{/(?:account|login|log-in|signin|sign-in|sign-up|register|my-account|konto|conta|profile|password|wp-login\.php)(?:[/.?]|\z)}i, title: /\A(?:log in|sign in|your account|my account|register)\b/, why: "An account page is of use to its owner only."),
          Kind.new(name: "basket", pattern: %r{/(?:cart|basket|checkout|warenkorb|kurv|carrello|carrinho|order|wishlist)(?:[/.?]|\z)}i, why: "A basket or checkout is another one for each visitor."),
          Kind.new(name: "thank-you", pattern: %r{/(?:thank-you|thanks|thankyou|danke|tak|grazie|obrigado|merci|confirmation|confirmed)(?:[-/.?]|\z)}i, title: /\bthank(?:s| you)\b/, why: "A thank-you page counts a goal; who gets there from a search is counted wrongly."),
          Kind.new(name: "search", pattern: %r{/(?:search|suche|soeg|s|find|cerca|busca)(?:[/?]|\z).*|[?&](?:q|s|query|search)=}i, title: /\b(?:search results?|results for)\b/, why: "A search inside a search has no text of its own, and there is no end of them."),
          Kind.new(name: "feed", pattern: %r{/(?:feed|rss|atom)(?:\.xml)?/?(?:\?.*)?\z}i, why: "A feed is for programs; its texts are those of the pages that it lists."),
          Kind.new(name: "paged or filtered list", pattern: %r{[?&](?:page|p|paged|sort|order|filter|color|colour|size|view|orderby)=|/page/\d+/?\z}i, why: "It shows a part of a list that is there already."),
          Kind.new(name: "archive by date", pattern: %r{/(?:19|20)\d\d(?:/[01]?\d)?/?\z}, why: "An archive by date lists excerpts of pages that stand for themselves."),
          Kind.new(name: "tag archive", pattern: %r{/(?:tags?|topics?|schlagwort|emne|etiqueta)/[^/]+/?\z}i, why: "A tag's archive lists excerpts of pages that stand for themselves."),
          Kind.new(name: "author archive", pattern: %r{/(?:authors?|makers|autor|forfatter)/[^/]+/?\z}i, why: "An author's archive lists excerpts of pages that stand for themselves."),
          Kind.new(name: "image page", pattern: %r{/(?:attachment|photos?|pictures?|images?|gallery|foto|billede)/[^/]+/?\z}i, why: "A page around one image has no text of its own."),
          Kind.new(name: "print view", pattern: %r{/print/?\z|[?&]print(?:=|\z)}i, why: "It says what the page itself says.")
        ].freeze

        PART_OF_LIST = ALL.find { |kind| kind.name == "paged or filtered list" }

        module_function

        # @param url [String]
        # @param title [String, nil]
        # @return [Kind, nil] the first that it is like
        def of(url, title) = ALL.find { |kind| kind.like?(url, title) }
      end
    end
  end
end
