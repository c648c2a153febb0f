# frozen_string_literal: true

module IronTrellis
  module Core
    module MissingLinks
      # A page as links between pages are looked for: what it is to be found for (`phrases`), what its main text says
      # (blocks), how much authority it has to give, whether it is wanted, and to which pages it links (ids).
      Page =
        Struct.new(
          :id,
          :url,
          :title,
          :language,
          :phrases,
          :blocks,
          :authority,
          :importance,
          :wanted,
          :links,
          keyword_init: true
        )
    end
  end
end
