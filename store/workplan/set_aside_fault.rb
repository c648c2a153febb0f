# frozen_string_literal: true

require "time"

module IronTrellis
  module Store
    module Workplan
      # A fault that somebody left as it is, with why and until when.
      class SetAsideFault < Postgres::Record
        self.table_name = "set_aside_faults"

        belongs_to :site, class_name: "IronTrellis::Store::Sites::Site"

        # @param site [Sites::Site]
        # @param day [Date]
        # @return [ActiveRecord::Relation] those that are set aside still
        def self.on(site, day) = where(site_id: site.id).where("until IS NULL OR until >= ?", day)

        # @return [Hash{String => Object}] for lists
        def view = slice("code", "url", "about", "why", "by").merge("until" => self.until&.iso8601)
      end
    end
  end
end
