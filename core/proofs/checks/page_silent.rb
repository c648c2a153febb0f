# frozen_string_literal: true

module IronTrellis
  module Core
    module Proofs
      module Checks
        # The rule of the fault has nothing to say of the page any more.
        module PageSilent
          CODES = %w[nofollow-internal thin].freeze

          module_function

          # @return [Array(Boolean, String)]
          def call(condition, probe)
            page = probe.page(condition.url)
            still = same_fault(condition, page, probe)
            return true, page.explain if still.nil?

            [false, found(still, page)]
          end

          # @param condition [Condition]
          # @param page [View]
          # @param probe [#judge]
          # @return [Faults::Fault, nil] the same fault, as the page has it now
          def same_fault(condition, page, probe)
            rule = Faults::Registry.fetch(condition.code)
            before = Faults::Key.identity(rule, condition.about)
            probe
              .judge(rule, page.subject.group)
              .call(page.subject)
              .find { |fault| before.nil? || Faults::Key.identity(rule, fault.about) == before }
          end

          def found(fault, page)
            more = [fault.about, *fault.detail.reject { |_, value| value.is_a?(Enumerable) }.map { |name, value|
              "#{name.to_s.tr("_", " ")} #{value}" if value
            }].compact
            more.empty? ? page.explain : more.join(", ")
          end
          private_class_method :found
        end
      end
    end
  end
end
