# frozen_string_literal: true

module IronTrellis
  module Work
    module Judging
      # One URL with its facts, what was worked out from them, its climb, and its importance (nil where it has none).
      JudgedUrl = Struct.new(:id, :facts, :subject, :climb, :score, keyword_init: true) do
        # Columns of the ledger that are facts as they were stored, and those that a Subject has under the same name.
        const_set(
          :FROM_FACTS,
          %w[
            fetched_at
            content_type
            bytes
            first_byte_ms
            response_ms
            nofollow
            canonical_source
            lang
            description
            h1
            images
            images_without_alt
            image_bytes
            script_bytes
            style_bytes
          ].freeze
        )
        const_set(:LOADED, %w[image_bytes script_bytes style_bytes].freeze)
        const_set(
          :FROM_SUBJECT,
          %w[
            url
            kind
            status
            error
            depth
            found_by
            robots_allowed
            robots_line
            redirect_to
            redirect_chain
            final_url
            final_status
            noindex
            canonical
            canonical_state
            title
            title_chars
            words
            links_in
            in_sitemaps
            group
            intent
            intent_of
            intent_subject
            follow
            chosen_canonical
            fulfilled
            wanted
            indexable
            soft_missing
            stop
            authority
            importance
          ].freeze
        )
        const_set(:REASONS, Store::Crawling::Frontier::REASONS.invert.freeze)

        # @return [Hash{String => Object}] a row of the ledger, but for its faults
        def row
          facts
            .slice(*self.class::FROM_FACTS)
            .merge(self.class::FROM_SUBJECT.to_h { |name| [name, subject[name]] })
            .merge(
              "url_id" => id,
              "description_chars" => facts["description"]&.length,
              "h1_count" => facts["words"] && facts["h1"]&.size,
              **loads,
              "stop_reason" => climb.reason,
              "unfetched" => unfetched,
              "links_out_internal" => out("links_out_internal"),
              "links_out_external" => out("links_out_external"),
              "climb" => steps,
              "importance_parts" => score&.parts
            )
        end

        private

        # What a page loads besides itself; how large it all is, as far as that is known.
        def loads
          return {} unless facts["words"]

          {
            "scripts" => facts["scripts"] || 0,
            "styles" => facts["styles"] || 0,
            "page_bytes" => facts["bytes"] && facts["bytes"] + self.class::LOADED.sum { |name| facts[name].to_i }
          }
        end

        # Zero where a page was read and has no links; nothing where it wasn't.
        def out(column) = facts[column] || (0 if facts["words"])

        # Why it wasn't fetched, where that was a choice.
        def unfetched = facts["fetched_at"] ? nil : self.class::REASONS[facts["reason"]]&.to_s

        def steps =
          climb.judgements.map { |name, judgement| {rung: name, state: judgement.state, reason: judgement.reason} }
      end
    end
  end
end
