# frozen_string_literal: true

module IronTrellis
  module Core
    module Proofs
      module Checks
        # Where a lost address leads (RFC 9110 sections 15.4 and 15.5.11).
        module Answers
          CODES = %w[not-found accepted-route merge].freeze
          OK = 200
          GONE = Redirects::Route::GONE

          module_function

          # @return [Array(Boolean, String)]
          def call(condition, probe)
            page = probe.page(condition.url)
            [holds?(page, condition), page.explain]
          end

          def holds?(page, condition)
            case condition.code
            when "not-found" then settled?(page)
            when "merge" then page.moved_for_good_to?(condition.about)
            else as_decided?(page, condition.wanted)
            end
          end

          def settled?(page) =
            [OK, GONE].include?(page.status) || page.moved_for_good? && page.subject.final_status == OK

          def as_decided?(page, wanted) = wanted ? page.moved_for_good_to?(wanted) : page.status == GONE
          private_class_method :holds?, :settled?, :as_decided?
        end
      end
    end
  end
end
