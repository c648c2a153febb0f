# frozen_string_literal: true

module IronTrellis
  module Work
    module Crawling
      # The slot of a crawl as one session holds it: by `token` the database knows what it leased; `hosts` are those of
      # the crawl, and `clock` gives the time.
      HeldSlot = Struct.new(:crawl, :slot, :token, :hosts, :clock, keyword_init: true)
    end
  end
end
