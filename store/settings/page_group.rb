# frozen_string_literal: true

module IronTrellis
  module Store
    module Settings
      # URLs of one kind, by an ordered pattern.
      class PageGroup < Postgres::Record
        self.table_name = "page_groups"
      end
    end
  end
end
