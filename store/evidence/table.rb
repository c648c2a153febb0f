# frozen_string_literal: true

module IronTrellis
  module Store
    module Evidence
      # How each kind of evidence lies in the database: its table, what makes a row the same one (`key`) and what it
      # says (`values`). Where a URL is spelled in several ways in one file, rows of an `adding` table are added up.
      Table =
        Struct.new(:name, :key, :values, :adding, keyword_init: true) do
          # @return [Boolean] whether its rows are of an index, and not of the site
          def of_index? = key.first == "index_id"

          # @return [Array<String>] columns that come from a file
          def columns = key - ["index_id"] + values
        end
    end
  end
end
