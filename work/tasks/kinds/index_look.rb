# frozen_string_literal: true

module IronTrellis
  module Work
    module Tasks
      module Kinds
        # Lays what an index stored of a page beside what is there now.
        module IndexLook
          CODE = "index_look"
          DOING = "asking an index for a page"

          module_function

          # @param input [Hash{String => Object}] crawl (id), index (id), url
          # @yield asks whether somebody waits still
          # @return [Hash] as Evidence::StoredAndNow#call
          def call(input, now:)
            index = Store::Evidence::Index.fetch(input["index"])
            interface = Evidence::Pulling.interface(index, wanted: -> { yield })
            crawl = Store::Crawling::Crawl.fetch(input["crawl"])
            Evidence::StoredAndNow.new(index, crawl, interface: interface).call(input["url"])
          end
        end
      end
    end
  end
end
