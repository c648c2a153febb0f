# frozen_string_literal: true

module IronTrellis
  module Core
    module Redirects
      # Where a redirecting URL leads. `hops` are all URLs after the first one; in a loop the chain is cut before
      # the repeat and `final` is nil. A URL that doesn't redirect has no hops and is its own final URL.
      Chain = Struct.new(:hops, :final, :loop, keyword_init: true) do
        def loop? = loop
      end

      class << Chain
        # No crawler follows further, and no honest site needs it (RFC 9110 section 15.4 leaves the bound open).
        MOST_HOPS = 50

        # @param from [Object] a URL or its id
        # @param next_hop [#call] gives the target of a URL that redirects, else nil
        # @return [Chain]
        #   Chain.follow("a", {"a" => "b", "b" => "c"}.method(:[])).hops # => ["b", "c"]
        def follow(from, next_hop)
          hops = []
          current = from
          while (current = next_hop.call(current))
            if current == from || hops.include?(current) || hops.size >= MOST_HOPS
              return new(hops: hops, final: nil, loop: true)
            end

            hops << current
          end
          new(hops: hops, final: hops.last || from, loop: false)
        end
      end
    end
  end
end
