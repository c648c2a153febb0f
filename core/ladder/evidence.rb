# frozen_string_literal: true

module IronTrellis
  module Core
    module Ladder
      # What the ladder is judged from, for one URL. `fetched` is whether it was asked for in this crawl,
      # `whole` whether that was a crawl of the whole site.
      Evidence = Struct.new(
        :whole, :depth, :start, :embedded, :listed, :robots_allowed, :robots_line, :robots_rule, :robots_reachable, :fetched,
        :status, :error, :redirect_to, :refresh_to, :noindex_where, :kind, :canonical, :canonical_state,
        :words, :word_floor, :soft_missing,
        keyword_init: true
      )
    end
  end
end
