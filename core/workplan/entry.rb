# frozen_string_literal: true

module IronTrellis
  module Core
    module Workplan
      # One thing that a fix has to mend, a fault or what was decided: its code, on which URL (nil: of a group as a
      # whole) and about what; how much it weighs (`grade`: 1.0 stops, 0.6 diverts, 0.2 weakens, 0.0 a note); the page
      # `group` of the URL; its `importance`, of what isn't a page of its own that of the most important one that leads
      # to it; what the fault tells besides (`detail`), whether a canonical was `chosen` for the URL, and whether it
      # `brought` anybody: clicks, or links of other sites; whether the URL is `wanted` in the index, and its `intent`;
      # whether mending it only `closes` the page. Its `key` is that of the fault (Faults::Key).
      Entry =
        Struct.new(
          *%i[code url about grade group importance detail chosen brought wanted intent closes key],
          keyword_init: true
        ) do
          # @return [String, nil] see Kinds.of
          def kind = @kind ||= Kinds.of(code, detail || {}, chosen: chosen || false)

          # @return [Class, nil] the rule that told it; nil where somebody decided it
          def rule = @rule ||= Faults::Registry.find(code)

          # @return [Boolean] whether somebody decided it
          def decided? = rule.nil?

          # @return [Boolean] whether mending it takes its URL away: what else is wrong with it needs no work
          def takes_away? = rule ? rule.takes_away? : Kinds::TAKING.include?(code) || closes || false

          # @return [Hash{String => String, nil}] as lists of fixes tell it
          def as_json(*) = {"code" => code, "url" => url, "about" => about, "key" => key}
        end
      Entry.const_set(:GRADES, {"stops" => 1.0, "diverts" => 0.6, "weakens" => 0.2}.freeze)
    end
  end
end
