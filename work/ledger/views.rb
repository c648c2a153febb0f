# frozen_string_literal: true

module IronTrellis
  module Work
    module Ledger
      # Saved views of the ledger of a site.
      module Views
        module_function

        # @param site [Store::Sites::Site]
        # @param view [Hash] see Store::Ledger::SavedView.keep
        # @param by [String]
        # @param now [Time]
        # @return [void]
        # @raise [Core::Error::InvalidInput]
        def keep(site, view, by:, now:) = Store::Ledger::SavedView.keep(site, view, by: by, now: now)

        # @param site [Store::Sites::Site]
        # @param id [Integer, String]
        # @return [void]
        def drop(site, id) = Store::Ledger::SavedView.where(site_id: site.id, id: id).destroy_all
      end
    end
  end
end
