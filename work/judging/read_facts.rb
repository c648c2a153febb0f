# frozen_string_literal: true

module IronTrellis
  module Work
    module Judging
      # Values of the core from what is kept of a page as JSON.
      module ReadFacts
        module_function

        # @param row [Hash{String => Object}] facts of a page
        # @param agent [String]
        # @return [Array<Core::Directives::Directive>] those that speak to the agent
        def directives(row, agent)
          (row["directives"] || [])
            .map { |one| Core::Directives::Directive.new(**one.transform_keys(&:to_sym)) }
            .select { |one| one.for?(agent) }
        end

        # @param row [Hash{String => Object}] facts of a page
        # @param url [String] its address
        # @return [Hash{String => Array<String>}] targets of the canonicals that may count, by source
        def canonicals(row, url)
          named = row["canonical_marks"]&.fetch("named") || []
          return {} if named.size < 2

          resolver = Core::Url::Resolver.new(Core::Url::NormalForm.split(url))
          named
            .map { |one| Core::Canonicals::Named.new(**one.transform_keys(&:to_sym)) }
            .select(&:usable?)
            .group_by(&:source)
            .transform_values { |ones| ones.filter_map { |one| one.target(resolver) }.uniq }
            .reject { |_, targets| targets.empty? }
        end
      end
    end
  end
end
