# frozen_string_literal: true

module IronTrellis
  module Work
    module Tasks
      module Kinds
        # Lays what an index stored of a page beside what is there now.
        module IndexLook
          CODE = "index_look"

          module_function

          # @param input [Hash{String => Object}] crawl (id), index (id), url
          # @return [Hash] as Evidence::StoredAndNow#call
          def call(input, now:)
            index = Store::Evidence::Index.fetch(input["index"])
            Evidence::StoredAndNow.new(index, Store::Crawling::Crawl.fetch(input["crawl"])).call(input["url"])
          end
        end
      end
    end
  end
end
