# frozen_string_literal: true

module IronTrellis
  module Work
    module Requests
      # Has an index hide a page for a while, or show it again; what the index says of all hides then is noted.
      class Hiding
        # @param index [Store::Evidence::Index]
        # @param interface [Object] of Ports::Indexes
        # @param now [Time]
        def initialize(index, now:, interface: Evidence::Pulling.interface(index))
          @index = index
          @interface = interface
          @now = now
        end

        # @param url [String]
        # @param show [Boolean]
        # @param only_copy [Boolean] whether only what the index stored is cleared, and the page stays to be found
        # @return [void]
        # @raise [Ports::Indexes::Unavailable, Ports::Indexes::Refused]
        def call(url, show: false, only_copy: false)
          url = Core::Url::NormalForm.parse(url).to_s
          Scoped.check(@index.site, [url])
          show ? @interface.unhide(url) : @interface.hide(url, only_copy: only_copy)
          known = []
          @interface.hides { |rows| known.concat(rows) }
          ActiveRecord::Base.transaction { Store::Evidence::InterfaceRows.new(@index).hides(known, @now) }
        end
      end
    end
  end
end
