# frozen_string_literal: true

module IronTrellis
  module Work
    module Ledger
      # Saved views of the ledger of a site.
      module Lenses
        module_function

        # @param site [Store::Sites::Site]
        # @param view [Hash] see Store::Ledger::Lens.keep
        # @param by [String]
        # @param now [Time]
        # @return [void]
        # @raise [Core::Error::InvalidInput]
        def keep(site, view, by:, now:) = Store::Ledger::Lens.keep(site, view, by: by, now: now)

        # @param site [Store::Sites::Site]
        # @param id [Integer, String]
        # @return [void]
        def drop(site, id) = Store::Ledger::Lens.where(site_id: site.id, id: id).destroy_all
      end
    end
  end
end
