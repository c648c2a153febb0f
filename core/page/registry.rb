# frozen_string_literal: true

module IronTrellis
  module Core
    module Page
      # The extractors: each reads one fact of an HTML document, and is found by being in the folder extractors/. Its
      # NAME is that of the fact in Facts, of the column it is stored in and of what rules see; ELEMENTS, where it has
      # them, says which elements it asks for that others don't; .call(document) gives its value (text, number, boolean,
      # list or map; an empty list or map is stored as nothing).
      module Registry
        class << self
          # @return [Array<Module>] by name
          def all =
            @all ||= Extractors.constants.map { |name| Extractors.const_get(name) }.sort_by { |one| one::NAME }.freeze

          # @return [Array<Symbol>]
          def names = @names ||= all.map { |one| one::NAME }.freeze

          # @return [Array<String>] selectors
          def elements =
            @elements ||= all.filter_map { |one| one::ELEMENTS if one.const_defined?(:ELEMENTS) }.freeze
        end
      end
    end
  end
end
