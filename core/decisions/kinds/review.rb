# frozen_string_literal: true

module IronTrellis
  module Core
    module Decisions
      module Kinds
        # What becomes of one page by the content audit, and into which page it goes where it goes into one.
        module Review
          extend Kind

          # As screens call them.
          LABELS = {
            "keep" => "keep",
            "improve" => "improve",
            "merge_into" => "merge into",
            "redirect_to" => "redirect to",
            "keep_out" => "keep out",
            "remove" => "remove"
          }.freeze
          FATES = LABELS.keys.freeze
          WITH_TARGET = %w[merge_into redirect_to].freeze

          class << self
            # @param subject [String]
            # @param value [Hash]
            # @return [Array(String, Hash)] subject and value as they are kept
            # @raise [Error::InvalidInput]
            def read(subject, value)
              fate, target = value.values_at("fate", "target")
              problem("“#{fate}” is no fate of a page; use one of #{FATES.join(", ")}.") unless FATES.include?(fate)
              return [Url::NormalForm.of(subject), {"fate" => fate}] unless WITH_TARGET.include?(fate)
              unless target.to_s.match?(Kind::WEB)
                problem("Say into which page it goes, as a whole web address, not “#{target}”.")
              end

              [Url::NormalForm.of(subject), {"fate" => fate, "target" => Url::NormalForm.of(target)}]
            end
          end
        end
      end
    end
  end
end
