# frozen_string_literal: true

module IronTrellis
  module Core
    module Decisions
      module Kinds
        # What links to an address shall lead to and say instead; the subject is their present target.
        module Repoint
          extend Kind

          class << self
            # @param subject [String]
            # @param value [Hash]
            # @return [Array(String, Hash)] subject and value as they are kept
            # @raise [Error::InvalidInput]
            def read(subject, value)
              target = Url::NormalForm.of(value["target"].to_s)
              [
                Url::NormalForm.of(subject),
                {"target" => target, "text" => value["text"].to_s.strip.then { |text| text unless text.empty? }}.compact
              ]
            end

            # @param subject [String]
            # @param value [Hash]
            # @return [Array(Symbol, Object)] as Kind#concerns
            def concerns(subject, _value) = [:linking_to, subject]

            # @param subject [String]
            # @param value [Hash]
            # @param page [Seen::Page]
            # @return [Array<Seen::Condition>]
            def seen(subject, value, page)
              links = page.links.to_a
              left = links.count { |to, _| to == subject }
              target, text = value.values_at("target", "text")
              led = links.select { |to, said| to == target && [nil, said].include?(text) }
              wanted = text ? "#{target} with the text “#{text}”" : target
              [
                Seen.condition(
                  "Links to the old address",
                  "none",
                  left.zero? ? Seen::NONE : left.to_s,
                  left.zero? && !page.links.nil?
                ),
                Seen.condition("Links to the new address", wanted, led.empty? ? Seen::NONE : led.size.to_s, led.any?)
              ]
            end
          end
        end
      end
    end
  end
end
