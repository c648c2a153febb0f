# frozen_string_literal: true

module IronTrellis
  module Work
    module Tasks
      module Kinds
        # Asks an index for the best pages for a phrase, and for what others pay for.
        module BestPages
          CODE = "best_pages"
          DOING = "asking an index for the best pages"
          MOST = 10
          SHOWN = %w[url title description].freeze

          module_function

          # @param input [Hash{String => Object}] site (id), phrase
          # @yield asks whether somebody waits still
          # @return [Hash] index (its name), results and paid ([{url, title, description}])
          # @raise [Core::Error::Conflict] where no index can be asked
          def call(input, now:)
            site = Store::Sites::Site.fetch(input["site"])
            index = Store::Evidence::Index.of(site).find { |one| one.address.to_s != "" }
            unless index
              raise Core::Error::Conflict.new(
                      "No index can be asked: connect one under Crawl, Evidence, or paste addresses of rivals."
                    )
            end

            told = Evidence::Pulling.interface(index, wanted: -> { yield }).results(input["phrase"])
            {index: index.name, **%w[results paid].to_h { |name| [name.to_sym, shown(told[name])] }}
          end

          def shown(rows) =
            rows.first(MOST).map { |row| SHOWN.to_h { |name| [name, Core::Content::Cut.deep(row[name].to_s)] } }
          private_class_method :shown
        end
      end
    end
  end
end
