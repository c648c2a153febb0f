# frozen_string_literal: true

module IronTrellis
  module Core
    module Settings
      # Some settings can't be used; `data[:problems]` lists each as {field:, message:}.
      class Problems < Error::InvalidInput
        # @param fields [Hash{String => Field}] by name
        # @param given [Hash{String => Object}]
        # @return [Array<Hash>] field and message of every value given that its field can't take
        def self.of(fields, given) =
          (given.keys & fields.keys).flat_map do |name|
            fields[name].problems(given[name]).map { |message| {field: name, message: message} }
          end

        # @param list [Array<Hash>]
        def initialize(list)
          super(list.map { |one| one[:message] }.join(" "), problems: list)
        end
      end
    end
  end
end
