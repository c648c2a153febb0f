# frozen_string_literal: true

module IronTrellis
  module Store
    module Settings
      # A URL marked as one of those that matter most.
      class KeyPage < Postgres::Record
        self.table_name = "key_pages"
      end
    end
  end
end
