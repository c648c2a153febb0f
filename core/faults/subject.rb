# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      # A URL as the rules see it: what was observed of it (Page::Observations) and extracted (Page::Registry), and what
      # was worked out from that. `whole` is whether the crawl was one of the whole site, so that what nothing links to
      # is an orphan; `directives` are those that speak to the site's agent, `canonicals` those that may count,
      # resolved, by source; `intent_of` and `intent_subject` are what was decided about; `follow` is whether its links
      # shall be followed and `chosen_canonical` the URL that shall stand for it, nil where nothing was decided;
      # `importance_guessed` is whether nothing says which pages of the site matter, so that none is important;
      # `sitemap_of_group` is the file that should list the page, `lists_pdfs` whether the site's sitemaps are to list
      # PDFs. What evidence says (EvidenceRule): `passes` is whether it passes all rungs before that of the index,
      # `queries` what it was found for in the short window ([{query, impressions, position, missing}]), `live` what a
      # later fetch saw, `hide_ends` when a hide ends whose lasting fix isn't proved.
      Subject =
        Struct.new(
          *%i[
            url kind depth start found_by robots_reachable robots_failure redirect_to redirect_chain
            redirect_loop final_url final_status title title_chars links_in followed_in in_sitemaps group template
            main_words intent wanted stop indexable soft_missing whole description_chars bytes links_out
            directives canonicals canonical_chain canonical_loop canonical_off_site redirect_off_site
            has_sitemaps sitemap_of_group lists_pdfs authority importance importance_guessed hreflang copy_of
            similarity copies unique_share response_ms unfollowed intent_of intent_subject follow
            chosen_canonical fulfilled standing standing_reason standing_date standing_since last_fetched
            last_in_index chosen_canonical_by_index clicks impressions short_impressions long_clicks goals
            dropped passes queries live hide_ends
          ],
          *Page::Observations.seen_by_rules,
          *Page::Registry.names,
          keyword_init: true
        ) do
          # @param row [Hash{String => Object}] of the ledger, or some columns of one
          # @return [Subject] which knows what the row knows
          def self.of(row) = new(**members.to_h { |name| [name, row[name.to_s]] })

          # @param least [Numeric]
          # @return [Boolean] whether it matters at least so much, and not only by a guess
          def important?(least) = !importance_guessed && !importance.nil? && importance >= least

          # @return [Boolean] whether it is a page that answers by itself and may be indexed: what it says counts
          def page? = kind == "html" && indexable

          # @return [Boolean] whether it is something of the site to be read, not an image, a script or a style
          def document? = !Page::Kind::NO_DOCUMENTS.include?(kind)

          # @return [Boolean] whether a link, a sitemap or another reference leads to it
          def mentioned? = links_in.positive? || in_sitemaps.any? || !found_by.empty?

          def missing? = status && (400..499).cover?(status)

          def gone? = status == 410

          # @return [Boolean] whether the index has it under its own URL
          def in_index? = standing == Core::Evidence::Standing::IN_INDEX
        end
    end
  end
end
