# frozen_string_literal: true

module IronTrellis
  module Work
    module Judging
      # One URL with its facts, what was worked out from them, how far it climbs, its importance (nil where it has
      # none), and what evidence says of it.
      JudgedUrl = Struct.new(:id, :facts, :subject, :ladder_result, :score, :evidence, keyword_init: true) do
        const_set(:LOADED, %w[image_bytes script_bytes style_bytes].freeze)
        const_set(:REASONS, Store::Crawling::Frontier::REASONS.invert.freeze)

        # @return [Hash{String => Object}] a row of the ledger, but for its faults
        def row
          columns = Core::Ledger::Registry
          columns.of(:facts).to_h { |name| [name, facts.fetch(name)] }
            .merge!(columns.of(:subject).to_h { |name| [name, subject[name]] })
            .merge!(columns.of(:evidence).to_h { |name| [name, evidence[name]] })
            .merge!(columns.worked_out.to_h { |column| [column.name, column.value.call(self)] })
        end

        # @param name [String] of a count among the facts
        # @return [Integer, nil] zero where a page was read and has none; nil where it wasn't read
        def counted(name) = facts[name] || (0 if facts["words"])

        # @return [Integer, nil] the page and what it loads, as far as that is known
        def loaded_bytes
          facts["words"] && facts["bytes"] && facts["bytes"] + self.class::LOADED.sum { |name| facts[name].to_i }
        end

        # @return [String, nil] why it wasn't fetched, where that was a choice
        def unfetched = facts["fetched_at"] ? nil : self.class::REASONS[facts["reason"]]&.to_s

        # @return [Array<Hash>] the whole way, rung by rung
        def climb =
          ladder_result.judgements.map do |name, judgement|
            {rung: name, state: judgement.state, reason: judgement.reason}
          end
      end
    end
  end
end
