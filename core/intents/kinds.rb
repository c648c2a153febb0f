# frozen_string_literal: true

module IronTrellis
  module Core
    module Intents
      # Kinds of pages that hardly ever belong into an index (common practice). The address of a page is one sign of its
      # kind and never enough: a second one must bear it out.
      module Kinds
        # A kind: `address` matches the URLs that may be of it; `signs` are what bears that out, by what people are
        # told.
        Kind = Struct.new(:name, :address, :why, :signs, keyword_init: true) do
          # @param page [Proposals::Page]
          # @return [String, nil] the first sign that bears out what the address says, in words; nil where none does
          def sign(page)
            signs.find { |_, holds| holds.call(page) }&.first if page.url.match?(address)
          end
        end

        TITLE = "the title"
        LITTLE = "text that is mostly found elsewhere"
        THIN = "next to no text"

        titled = ->(pattern) { [TITLE, ->(page) { page.title.to_s.match?(pattern) }] }
        called = ->(pattern) do
          ["the words of links to it", ->(page) { page.anchors.any? { |text| text.match?(pattern) } }]
        end
        little = [LITTLE, ->(page) { page.little_of_its_own? }]
        thin = [THIN, ->(page) { page.thin? }]
        same_title = ["the title of the whole list", ->(page) { page.title && page.title == page.bare_title }]
        points_back = ["a canonical to the whole list", ->(page) { page.canonical_to_bare }]

        ALL = [
          Kind.new(
            name: "account",
            address:
              %r{
                /(?:account|my-account|login|log-in|signin|sign-in|sign-up|register|konto|conta|wp-login\.php)
                (?:[/.?]|\z)
              }ix,
            why: "An account page is of use to its owner only.",
            signs: [
              ["a field for a password", ->(page) { page.password }],
              titled.call(/\A(?:log ?in|sign ?in|sign ?up|your account|my account|create (?:an|your) account)\b/i),
              called.call(/\A(?:log ?in|sign ?in|register|(?:my |your )?account)\z/i)
            ]
          ),
          Kind.new(
            name: "basket",
            address: %r{/(?:cart|basket|checkout|warenkorb|kurv|carrello|carrinho|wishlist)(?:[/.?]|\z)}i,
            why: "A basket or checkout is another one for each visitor.",
            signs: [
              titled.call(/\b(?:cart|basket|checkout|warenkorb|kurv|carrello|carrinho|wishlist)\b/i),
              called.call(/\b(?:cart|basket|checkout|wishlist)\b/i)
            ]
          ),
          Kind.new(
            name: "thank-you",
            address:
              %r{/(?:thank-?you|thanks|danke|tak|grazie|obrigado|merci|confirmation|confirmed)(?:\.\w+)?/?(?:\?.*)?\z}i,
            why: "A thank-you page counts a goal; who gets there from a search is counted wrongly.",
            signs: [
              titled.call(/\A(?:thank(?:s| you)|danke|tak|grazie|obrigad[oa]|merci)(?:\s*(?:[!.,|:–-]|\z)| for\b)/i),
              thin,
              ["no link that leads there", ->(page) { page.links_in.to_i.zero? }]
            ]
          ),
          Kind.new(
            name: "search",
            address: %r{/(?:search|suche|soeg|cerca|busca)(?:/|\?|\z)|[?&](?:q|query|search)=}i,
            why: "A search inside a search brings nobody further, and there is no end of them.",
            signs: [
              ["a search form that leads there", ->(page) { page.formed }],
              titled.call(/\bsearch(?: results?)?\b|\bresults for\b/i),
              little
            ]
          ),
          Kind.new(
            name: "feed",
            address: %r{/(?:feed|rss|atom)(?:\.xml)?/?(?:\?.*)?\z}i,
            why: "A feed is for programs; its texts are those of the pages that it lists.",
            signs: [
              [
                "a type that is no page's",
                ->(page) { page.content_type.to_s.match?(/xml|json/i) && page.kind != "html" }
              ]
            ]
          ),
          Kind.new(
            name: "filtered or sorted list",
            address: /[?&](?:sort|sort_by|order|orderby|order_by|filter|filter_by|colou?r|size|view|per_page|dir)=/i,
            why: "It shows a list that there is already, in another order or with less in it.",
            signs: [points_back, same_title, little]
          ),
          Kind.new(
            name: "later page of a list",
            address: %r{[?&](?:page|paged)=\d+|/page/\d+/?\z}i,
            why: "It is a later page of a list; people look for what it lists.",
            signs: [
              ["links to the page before or after", ->(page) { page.paged }],
              titled.call(/\b(?:page|seite|side|página|pagina)\s*\d+\b/i),
              same_title,
              little
            ]
          ),
          Kind.new(
            name: "archive by date",
            address: %r{/(?:19|20)\d\d(?:/[01]?\d)?/?\z},
            why: "An archive by date lists what has pages of its own elsewhere.",
            signs: [titled.call(/\A(?:archives?\b.*|(?:\p{L}+ )?(?:19|20)\d\d(?:\b.*)?)\z/i), little]
          ),
          Kind.new(
            name: "tag archive",
            address: %r{/(?:tags?|schlagwort|emne|etiqueta)/[^/]+/?\z}i,
            why: "A tag's archive lists what has pages of its own elsewhere.",
            signs: [titled.call(/\A(?:tag|schlagwort|emne|etiqueta)\b|\btagged\b/i), little]
          ),
          Kind.new(
            name: "author archive",
            address: %r{/(?:authors?|autor|forfatter)/[^/]+/?\z}i,
            why: "An author's archive lists what has pages of its own elsewhere.",
            signs: [titled.call(/\b(?:posts|articles) by\b|\bauthor\b/i), little]
          ),
          Kind.new(
            name: "image page",
            address: %r{/(?:attachment|photos?|pictures?|images?|gallery|foto|billede)/[^/]+/?\z}i,
            why: "A page around one image says little beside it.",
            signs: [thin, little]
          ),
          Kind.new(
            name: "print view",
            address: %r{/print/?\z|[?&]print(?:=|\z)}i,
            why: "It says what the page itself says.",
            signs: [points_back, ["text copied from another page", ->(page) { page.copy }], little]
          ),
          Kind.new(
            name: "view by parameters",
            address: /\?./,
            why: "It shows what there is without its parameters, in another way or in part.",
            signs: [points_back, same_title, [LITTLE, ->(page) { !page.bare_title.nil? && page.little_of_its_own? }]]
          )
        ].freeze

        module_function

        # @param page [Proposals::Page]
        # @return [Array(Kind, String), nil] the first kind of which two signs are there, and the second of them in
        #   words
        def of(page)
          ALL.each { |kind| kind.sign(page)&.then { |sign| return [kind, sign] } }
          nil
        end

        # @param url [String]
        # @return [Boolean] whether its address may be of some kind
        # @example
        #   Kinds.maybe?("http://a.test/cart/") # => true
        def maybe?(url) = ALL.any? { |kind| url.match?(kind.address) }
      end
    end
  end
end
