# frozen_string_literal: true

module IronTrellis
  module Core
    module Evidence
      # One kind of evidence, as files bring it: its `code`, its `fields`, whether it is of an index or of the site
      # (`of_index`), whether its rows may have dates of their own (`dated`), whether further columns are kept
      # (`keeps_more`), and which field is the URL that must be of the site (`about`). `label` and `why` tell people
      # what it is and what it is good for.
      Kind =
        Struct.new(
          :code,
          :fields,
          :of_index,
          :dated,
          :keeps_more,
          :about,
          :label,
          :why,
          :place,
          keyword_init: true
        ) do
          # @return [Array<String>]
          def names = fields.map(&:name)

          # @return [Array<String>]
          def needed = fields.select(&:needed?).map(&:name)
        end
    end
  end
end
