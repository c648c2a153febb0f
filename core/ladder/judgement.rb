# frozen_string_literal: true

module IronTrellis
  module Core
    module Ladder
      # The answer of one rung: :pass, :stop with a reason in words, or :unknown where nothing is known.
      Judgement = Struct.new(:state, :reason)

      class << Judgement
        PASS = Judgement.new(:pass).freeze
        UNKNOWN = Judgement.new(:unknown).freeze

        def pass = PASS

        def unknown = UNKNOWN

        # @param reason [String] in words an auditor would use
        def stop(reason) = new(:stop, reason).freeze
      end
    end
  end
end
