# frozen_string_literal: true

module IronTrellis
  module Core
    module Decisions
      module Kinds
        # Which URL stands for another, or for those of a pattern.
        module Canonical
          extend Kind

          class << self
            # @return [Boolean]
            def judged? = true

            # @param subject [String]
            # @param value [Hash]
            # @return [Array(String, Hash)] subject and value as they are kept
            # @raise [Error::InvalidInput]
            def read(subject, value)
              pattern = Url::Pattern.new(subject)
              target = value["target"].to_s
              unless target.match?(Kind::WEB)
                problem("The URL that shall stand for it must be a whole web address, not “#{target}”.")
              end
              return [Url::NormalForm.of(subject), {"target" => Url::NormalForm.of(target)}] if pattern.exact?

              captures(pattern, target)
              [subject, {"target" => target}]
            end

            # @param subject [String]
            # @param value [Hash]
            # @return [Array(Symbol, Object)] as Kind#concerns
            def concerns(subject, _value) = matching(subject)

            # @param subject [String]
            # @param value [Hash]
            # @param page [Seen::Page]
            # @return [Array<Seen::Condition>]
            def seen(subject, value, page)
              target = Canonicals::Choices.new({subject => value}).for(page.url)
              [Seen.answers(page), Seen.names("Canonical", target, page.canonical)]
            end
          end
        end
      end
    end
  end
end
