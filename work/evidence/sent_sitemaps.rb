# frozen_string_literal: true

module IronTrellis
  module Work
    module Evidence
      # The sitemaps that an index was sent.
      class SentSitemaps
        # @param index [Store::Evidence::Index]
        # @param interface [Object] of Ports::Indexes
        def initialize(index, interface: Pulling.interface(index))
          @index = index
          @interface = interface
        end

        # Sends one, or takes it back; what the index says of all of them then is noted.
        #
        # @param url [String]
        # @param withdraw [Boolean]
        # @return [void]
        # @raise [Ports::Indexes::Unavailable, Ports::Indexes::Refused]
        def call(url, withdraw: false)
          withdraw ? @interface.withdraw_sitemap(url) : @interface.send_sitemap(url)
          known = []
          @interface.sitemaps { |rows| known.concat(rows) }
          ActiveRecord::Base.transaction { Store::Evidence::InterfaceRows.new(@index).sitemaps(known) }
        end
      end
    end
  end
end
