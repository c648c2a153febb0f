# frozen_string_literal: true

require "json"
require "time"

module IronTrellis
  module Store
    module Ledger
      # A saved set of conditions and columns on the ledger.
      class SavedView < Postgres::Record
        self.table_name = "saved_views"

        MOST_NAME = 80

        # @param site [Sites::Site]
        # @param view [Hash] "name", "where" (JSON of a tree of conditions), "columns", "sort"; the last three may be
        #   nil
        # @param by [String] who made it
        # @param now [Time]
        # @return [SavedView] one of the same name is replaced
        # @raise [Core::Error::InvalidInput]
        def self.keep(site, view, by:, now:)
          name = view["name"].to_s.strip
          problem("Give the view a name of at most #{MOST_NAME} characters.") if name.empty? || name.size > MOST_NAME
          tree = view["where"] && JSON.parse(view["where"])
          Conditions.new(tree)
          view["columns"]&.each { |column| Fields.kind(column) }
          Order.new(view["sort"]) if view["sort"]
          find_or_initialize_by(site_id: site.id, name: name).tap do |saved|
            saved.update!(
              conditions: tree || {},
              columns: view["columns"],
              sort: view["sort"],
              made_by: by,
              made_at: now
            )
          end
        rescue JSON::ParserError
          problem("The conditions in “where” are not JSON.")
        end

        def self.problem(message) =
          raise(Core::Error::InvalidInput.new(message, problems: [{field: "name", message: message}]))
        private_class_method :problem

        # @return [Hash] for JSON
        def view =
          {
            id: id,
            name: name,
            where: conditions.empty? ? nil : JSON.generate(conditions),
            columns: columns,
            sort: sort,
            made_by: made_by,
            made_at: made_at.iso8601
          }
      end
    end
  end
end
