# frozen_string_literal: true

module IronTrellis
  module Work
    module Workplan
      # Hands fixes over, leaves them, or takes them up again; single faults of one can be set aside too.
      module ChangeState
        States = Core::Workplan::States
        Fix = Store::Workplan::Fix
        # Into which state which may go.
        FROM = {
          States::HANDED_OVER => [States::OPEN, States::PLANNED, States::PARTLY, States::NOT_DONE, States::RETURNED],
          States::LEFT => States::ALL - States::SETTLED,
          States::OPEN => [States::LEFT, States::HANDED_OVER, States::CLAIMED]
        }.freeze

        module_function

        # @param site [Store::Sites::Site]
        # @param ids [Array<String>]
        # @param state [String] one of FROM
        # @param by [String]
        # @param now [Time]
        # @param why [String, nil] needed where they are left
        # @return [Array<Fix>]
        # @raise [Core::Error::InvalidInput] where one can't go there; none does then
        def call(site, ids, state, by:, now:, why: nil)
          fixes = Fix.named(site, ids)
          held = fixes.find { |fix| !FROM.fetch(state).include?(fix.state) }
          wrong("#{held.name} is #{held.state}, so it can't become “#{state}”.") if held
          wrong("Say why it is left.") if state == States::LEFT && why.to_s.strip.empty?
          ActiveRecord::Base.transaction { fixes.each { |fix| fix.become(state, by: by, why: why, now: now) } }
          fixes
        end

        # @param site [Store::Sites::Site]
        # @param id [String] of the fix that has them
        # @param input [Hash{String => Object}] faults ([{code, url, about}]), why, and until (a day, nil for good)
        # @param by [String]
        # @param now [Time]
        # @return [void]
        # @raise [Core::Error::InvalidInput]
        def set_aside(site, id, input, by:, now:)
          fix = Fix.named(site, [id]).first
          why = input["why"].to_s.strip
          wrong("Say why it is left.") if why.empty?
          wrong("#{fix.name} is #{fix.state}: its faults stay.") unless States::FLUID.include?(fix.state)
          chosen = input["faults"].map { |fault| fault.slice("code", "url", "about") }
          there = fix.faults.group_by { |fault| fault.slice("code", "url", "about") }
          wrong("#{fix.name} has no such fault.") if (chosen - there.keys).any?
          ActiveRecord::Base.transaction do
            there.fetch_values(*chosen).flatten.each do |fault|
              Store::Workplan::SetAsideFault.create!(
                site: site,
                fix_number: fix.number,
                **fault.slice("code", "url", "about", "key"),
                why: why,
                until: input["until"] && Core::Workplan::Day.read(input["until"]),
                by: by,
                set_aside_at: now
              )
            end
            fix.become(States::LEFT, by: by, why: why, now: now) if (there.keys - chosen).empty?
          end
        end

        def wrong(message) = raise(Core::Error::InvalidInput.new(message))
        private_class_method :wrong
      end
    end
  end
end
