# frozen_string_literal: true

module IronTrellis
  module Store
    # URLs of one kind, by an ordered pattern.
    class PageGroup < Record
      self.table_name = "page_groups"
    end
  end
end
