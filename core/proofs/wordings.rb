# frozen_string_literal: true

module IronTrellis
  module Core
    module Proofs
      # What must hold so that a fault is gone, as sentences: %{about} is what the fault is about, %{wanted} what ought
      # to be there.
      module Wordings
        ALL = {
          "not-found" =>
            "answers 200, leads for good (301 or 308) in one hop to a page that answers 200%{wanted}, or answers 410",
          "gone-linked" => "no page links to it any more, or it leads on",
          "accepted-route" => "leads for good (301 or 308) in one hop to %{wanted}",
          "accepted-link" => "links to %{about}",
          "decided-block" => "is blocked by robots.txt",
          "improve" => "it is written better, and nobody decides so any more",
          "merge" => "leads for good (301 or 308) in one hop to %{about}, which has its text",
          "server-error" => "answers without an error of the server",
          "unreachable" => "answers",
          "slow" => "answers fast enough",
          "soft-missing" => "answers 404 or 410, leads on, or has content of its own",
          "redirect-chain" => "leads where it shall in one hop",
          "redirect-loop" => "leads somewhere",
          "redirect-to-missing" => "leads to a page that answers 200, or answers 410",
          "redirect-temporary" => "leads on for good (301 or 308)",
          "redirect-to-home" => "leads to what takes its place, or answers 410",
          "redirect-refresh" => "leads on by an answer of the server (301 or 308)",
          "redirect-malformed" => "leads to an address",
          "redirect-downgrade" => "stays on https",
          "redirect-off-site" => "stays on the site",
          "redirect-many-to-one" => "leads to what takes its own place",
          "noindex-wanted" => "says no noindex",
          "noindex-unseen" => "may be fetched, so that its noindex is seen",
          "blocked-wanted" => "may be fetched by robots.txt",
          "blocked-resource" => "%{about}, which it needs, may be fetched by robots.txt",
          "directive-conflict" => "its directives say one thing",
          "directive-misplaced" => "its directives stand in the head",
          "nofollow-internal" => "its internal links are followed",
          "stray" => "is kept out: noindex, 404, 410 or a redirect",
          "stray-header" => "no header restricts what its own tags allow",
          "goal-page-open" => "is kept out: noindex, 404, 410 or a redirect",
          "orphan" => "a page links to it",
          "few-links-in" => "enough pages link to it",
          "too-deep" => "fewer clicks lead to it",
          "dead-end" => "it links on",
          "too-many-links" => "it has fewer links",
          "link-to-missing" => "its link to %{about} is gone or leads elsewhere, or that answers",
          "link-to-failing" => "its link to %{about} is gone, or that answers",
          "link-to-redirect" => "its link to %{about} is gone or leads to where that ends",
          "outbound-missing" => "its link to %{about} is gone, or that answers",
          "title-missing" => "has a title",
          "title-many" => "has one title",
          "title-long" => "its title is short enough",
          "title-short" => "its title is long enough",
          "title-duplicate" => "no other page has its title",
          "description-missing" => "has a description",
          "description-long" => "its description is short enough",
          "description-short" => "its description is long enough",
          "description-duplicate" => "no other page has its description",
          "h1-missing" => "has an H1",
          "h1-many" => "has one H1",
          "h1-long" => "its H1 is short enough",
          "h1-duplicate" => "no other page has its H1",
          "image-no-alt" => "%{about} has an alt text",
          "image-heavy" => "%{about} is lighter or gone",
          "image-broken" => "%{about} answers with an image or is gone",
          "image-name" => "%{about} has a name that says what it shows, or is gone",
          "hreflang-no-return" => "%{about} names it in turn, or isn't named any more",
          "hreflang-sets-differ" => "it names all that %{about} names",
          "hreflang-no-self" => "it names itself",
          "hreflang-no-default" => "it names an x-default",
          "sitemap-omits" => "a sitemap lists it",
          "sitemap-none" => "the site has a sitemap that robots.txt names or that lies at its usual address",
          "robots-no-sitemap" => "it names a sitemap",
          "robots-unreadable" => "it can be read",
          "missing-page-bare" => "the answer to a missing page shows a way on",
          "host-variants" => "%{about} leads here for good",
          "insecure" => "it leads to %{about} for good"
        }.freeze
        CANONICAL = "its canonical is %{wanted}, or it leads there for good in one hop"
        OWN_CANONICAL = "its canonical is its own address"
        DRAFTED_DATA = "it has the structured data that were written for it"
        DRAFTED_FACT = "it writes “%{after}”, not “%{before}”"
        DRAFTED = "its %{element} is “%{after}”"
        SENT_TO_GONE = "answers 410"
        LISTS = "%{about} doesn't list it, or it may be listed"
        SILENT = "no longer: %{title}"
      end
    end
  end
end
