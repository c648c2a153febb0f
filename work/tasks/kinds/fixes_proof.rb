# frozen_string_literal: true

require "time"

module IronTrellis
  module Work
    module Tasks
      module Kinds
        # Looks live whether what fixes were for holds now.
        module FixesProof
          CODE = "fixes_proof"
          DOING = "proving fixes"

          module_function

          # @param input [Hash{String => Object}] site (id), ids (none for all that are claimed) and by
          # @return [Hash] fixes, each as Proofs::Proving#call tells it, and at
          def call(input, now:)
            site = Store::Sites::Site.find(input["site"])
            fixes = Proofs::Proving.asked(site, input["ids"])
            {fixes: Proofs::Proving.new(site, clock: -> { Time.now }).call(fixes, by: input["by"]), at: now.utc.iso8601}
          end
        end
      end
    end
  end
end
