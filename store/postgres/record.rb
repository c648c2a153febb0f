# frozen_string_literal: true

require "active_record"

module IronTrellis
  module Store
    module Postgres
      # What the tables with one row a thing share; the facts of crawls are read and written in bulk instead.
      class Record < ActiveRecord::Base
        self.abstract_class = true

        # What was taken away is seen only where it is asked for by name: `removed`.
        #
        # @return [void]
        def self.removable
          default_scope { where(removed_at: nil) }
          scope :removed, -> { unscoped.where.not(removed_at: nil) }
        end

        # @param id [Object]
        # @return [Record]
        # @raise [Core::Error::NotFound]
        def self.fetch(id)
          (Core::Id.valid?(id) && find_by(id: id)) ||
            raise(Core::Error::NotFound.new("There is no #{model_name.human.downcase} #{id}.", id: id))
        end
      end
    end
  end
end
