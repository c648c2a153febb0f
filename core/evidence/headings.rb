# frozen_string_literal: true

module IronTrellis
  module Core
    module Evidence
      # Finds the fields of a kind of evidence among the headings of a file.
      class Headings
        # The fields that are needed aren't there. `data` has the `headings` of the file and the fields `wanted` that
        # weren't found, for a form in which they are told.
        class Unknown < Error::InvalidInput; end

        # @return [Hash{String => Integer}] place of each field that was found
        attr_reader :places

        # @return [Hash{String => Integer}] place of each further column
        attr_reader :others

        # @param kind [Kind]
        # @param given [Array<String>] headings of the file
        # @param mapping [Hash{String => String}] heading by field; our own headings work where these are absent
        # @raise [Unknown]
        def initialize(kind, given, mapping)
          @kind = kind
          plain = given.map { |heading| heading.strip.downcase }
          @places =
            kind.names.to_h { |name| [name, place(plain, mapping[name]) || plain.index(name)] }.compact
          @others = given.each_with_index.reject { |heading, at| heading.empty? || @places.value?(at) }.to_h
          refuse(given)
        end

        private

        def place(plain, heading) = heading && plain.index(heading.strip.downcase)

        def refuse(given)
          missing = @kind.needed - @places.keys
          return if missing.empty?

          raise Unknown.new(
            "The first line must name the columns; #{missing.join(" and ")} can't be found. The file has " \
            "#{given.reject(&:empty?).map { |heading| "“#{heading[0, 60]}”" }.first(30).join(", ")}; wanted are " \
            "#{@kind.names.join(", ")} (needed: #{@kind.needed.join(", ")}). Say which heading is which.",
            headings: given.first(200),
            wanted: @kind.names,
            missing: missing
          )
        end
      end
    end
  end
end
