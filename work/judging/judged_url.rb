# frozen_string_literal: true

module IronTrellis
  module Work
    module Judging
      # One URL with its facts, what was worked out from them, how far it climbs, its importance (nil where it has
      # none), and what evidence says of it.
      JudgedUrl = Struct.new(:id, :facts, :subject, :ascent, :score, :evidence, keyword_init: true) do
        const_set(:LOADED, %w[image_bytes script_bytes style_bytes].freeze)
        const_set(:REASONS, Store::Crawling::Frontier::REASONS.invert.freeze)

        # @return [Hash{String => Object}] a row of the ledger, but for its faults
        def row
          columns = Core::Ledger::Registry
          columns.of(:facts).to_h { |name| [name, facts.fetch(name)] }
            .merge!(columns.of(:subject).to_h { |name| [name, subject[name]] })
            .merge!(columns.of(:evidence).to_h { |name| [name, evidence[name]] })
            .merge!(columns.of(:judged).to_h { |name| [name, send(name)] })
        end

        private

        def url_id = id

        def description_chars = facts["description"]&.length

        # An empty list where scripts changed nothing, nothing where nobody looked.
        def by_script = facts["changed_by_script"]&.keys

        def h1_count = facts["words"] && facts["h1"]&.size

        def scripts = (facts["scripts"] || 0 if facts["words"])

        def styles = (facts["styles"] || 0 if facts["words"])

        # The page and what it loads, as far as that is known.
        def page_bytes
          facts["words"] && facts["bytes"] && facts["bytes"] + self.class::LOADED.sum { |name| facts[name].to_i }
        end

        def links_out_internal = out("links_out_internal")

        def links_out_external = out("links_out_external")

        def stop_reason = ascent.reason

        def importance_parts = score&.parts

        # Zero where a page was read and has no links; nothing where it wasn't.
        def out(column) = facts[column] || (0 if facts["words"])

        # Why it wasn't fetched, where that was a choice.
        def unfetched = facts["fetched_at"] ? nil : self.class::REASONS[facts["reason"]]&.to_s

        # The whole way, rung by rung.
        def climb =
          ascent.judgements.map { |name, judgement| {rung: name, state: judgement.state, reason: judgement.reason} }
      end
    end
  end
end
