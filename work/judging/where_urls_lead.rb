# frozen_string_literal: true

module IronTrellis
  module Work
    module Judging
      # Where the URLs of a crawl lead, hop by hop, and what answers at the end.
      class WhereUrlsLead
        # @param facts [Store::Pages::FactsTables] prepared
        def initialize(facts)
          @hops = facts.hops
          @addresses = @hops.each_value.to_h
          @statuses = facts.statuses(@addresses.keys)
        end

        # @param row [Hash{String => Object}] of the facts
        # @return [Core::Redirects::Chain] by ids of URLs
        def chain(row) = Core::Redirects::Chain.follow(row["url_id"], ->(node) { @hops[node]&.first })

        # @param chain [Core::Redirects::Chain]
        # @return [Array<String>] the addresses of its hops
        def addresses(chain) = chain.hops.map { |hop| @addresses[hop] }

        # @param row [Hash{String => Object}]
        # @param chain [Core::Redirects::Chain]
        # @return [Hash{Symbol => Object}] final_url and final_status, nil where nothing was fetched or it goes in a
        #   circle
        def ending(row, chain) = {final_url: final_url(row, chain), final_status: final_status(row, chain)}

        private

        def final_url(row, chain)
          return nil if row["fetched_at"].nil? || chain.loop?

          chain.hops.empty? ? row["url"] : @addresses[chain.final]
        end

        def final_status(row, chain)
          return nil if chain.loop?

          chain.hops.empty? ? row["status"] : @statuses[chain.final]
        end
      end
    end
  end
end
