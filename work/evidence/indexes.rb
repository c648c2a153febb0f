# frozen_string_literal: true

module IronTrellis
  module Work
    module Evidence
      # What a site is judged by besides its crawl: indexes, files that were brought, settings.
      module Indexes
        # What can be changed of an index.
        INDEX = %w[name address interface whole pull_days].freeze

        module_function

        # @param site [Store::Sites::Site]
        # @param input [Hash{String => Object}] name, and some of INDEX
        # @param now [Time]
        # @return [Store::Evidence::Index]
        # @raise [Core::Error::InvalidInput]
        def add(site, input, now:)
          if Store::Evidence::Index.of(site).exists?(name: input["name"].to_s.strip)
            raise Core::Error::Conflict.new("The site has an index “#{input["name"]}” already.")
          end

          values = read(input)
          Store::Evidence::Index
            .named_or_made(site, input["name"].to_s, now: now)
            .tap { |index| index.update!(values) }
        end

        # @param index [Store::Evidence::Index]
        # @param input [Hash{String => Object}] some of INDEX
        # @return [Store::Evidence::Index]
        # @raise [Core::Error::InvalidInput]
        def change(index, input) = index.tap { |one| one.update!(read(input)) }

        # @param index [Store::Evidence::Index] with all that it told
        # @param site [Store::Sites::Site]
        # @param now [Time]
        # @return [Integer] its id
        def remove(index, site, now:)
          ActiveRecord::Base.transaction do
            index.destroy!
            Judging::JudgingQueue.changed(site, now: now)
          end
          index.id
        end

        # @param site [Store::Sites::Site]
        # @param settings [Hash{String => Object}] of Core::Settings::Evidence
        # @param now [Time]
        # @return [void]
        # @raise [Core::Error::InvalidInput]
        def settle(site, settings, now:)
          Core::Settings::Evidence.new(settings)
          ActiveRecord::Base.transaction do
            site.update!(evidence_settings: settings)
            Judging::JudgingQueue.changed(site, now: now)
          end
        end

        # Takes an import back.
        #
        # @return [void]
        def undo(site, id, by:, now:)
          ActiveRecord::Base.transaction do
            Store::Evidence::Import.where(site_id: site.id).fetch(id).undo(by: by, now: now)
            Judging::JudgingQueue.changed(site, now: now)
          end
        end

        # Has the indexes asked whose time has come.
        #
        # @param now [Time]
        # @return [void]
        def pull_due(now)
          Store::Evidence::Index
            .due(now)
            .each do |index|
              Runtime::Queue.enqueue_once("PullEvidence", {index_id: index.id})
            end
        end

        # Before anything is made of it.
        def read(input)
          values = input.slice(*INDEX)
          values["address"] = values["address"].to_s.strip.then { |text| text unless text.empty? } if values.key?(
            "address"
          )
          values["interface"] = Ports::Indexes.interfaces.keys.first if values["address"] && values["interface"].nil?
          Ports::Indexes.named(values["interface"]) if values["interface"]
          Sites::Keeping.check_address(values["address"]) if values["address"]
          values
        end
        private_class_method :read
      end
    end
  end
end
