# frozen_string_literal: true

module IronTrellis
  module Core
    module MissingLinks
      # A page as links between pages are looked for: what it is called and is to be found for (`phrases`), what it is
      # found for (`queries`), what its main text says (blocks), how much authority it has to give, whether it is
      # wanted, to which pages it links (ids), and what the links in its text read.
      Page =
        Struct.new(
          :id,
          :url,
          :title,
          :language,
          :phrases,
          :queries,
          :blocks,
          :authority,
          :importance,
          :wanted,
          :links,
          :link_texts,
          keyword_init: true
        )
    end
  end
end
