# frozen_string_literal: true

module IronTrellis
  module Work
    module Workplan
      # Somebody says that fixes are done; whether they are is looked at afterwards.
      module Claiming
        States = Core::Workplan::States

        module_function

        # @param site [Store::Sites::Site]
        # @param ids [Array<String>]
        # @param by [String, nil]
        # @param now [Time]
        # @return [Array<Store::Workplan::Fix>] those of which it is said
        # @raise [Core::Error::InvalidInput] where one isn't there or can't be done any more; none is claimed then
        def call(site, ids, now:, by: nil)
          fixes = Store::Workplan::Fix.named(site, ids)
          settled = fixes.find { |fix| States::SETTLED.include?(fix.state) }
          if settled
            raise Core::Error::InvalidInput.new("#{settled.name} is #{settled.state}: nothing is to be done about it.")
          end

          ActiveRecord::Base.transaction { fixes.each { |fix| fix.become(States::CLAIMED, by: by, now: now) } }
          fixes
        end
      end
    end
  end
end
