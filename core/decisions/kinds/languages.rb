# frozen_string_literal: true

module IronTrellis
  module Core
    module Decisions
      module Kinds
        # Which pages say the same in which languages.
        module Languages
          extend Kind

          class << self
            # @param subject [String]
            # @param value [Hash]
            # @return [Array(String, Hash)] subject and value as they are kept
            # @raise [Error::InvalidInput]
            def read(subject, value)
              pages = value["pages"] || {}
              problem("A set needs at least two languages.") if pages.except(Core::Languages::Matrix::DEFAULT).size < 2
              urls = pages.transform_values { |url| Url::NormalForm.of(url) }
              Core::Languages::CompleteSet.new(urls)
              [Url::NormalForm.of(subject), {"pages" => urls}]
            end

            # (see Kind#placed)
            def placed(subject, value, &whole)
              pages = value.is_a?(Hash) && value["pages"]
              return [subject, value] unless pages

              [whole.call(subject), value.merge("pages" => pages.transform_values(&whole))]
            end

            # @param subject [String]
            # @param value [Hash]
            # @return [Array(Symbol, Object)] as Kind#concerns
            def concerns(_subject, value) = [:named, value.fetch("pages").values.uniq]

            # @param subject [String]
            # @param value [Hash]
            # @param page [Seen::Page]
            # @return [Array<Seen::Condition>]
            def seen(_subject, value, page)
              named = page.hreflang.to_a.to_h { |code, target| [code.downcase, target] }
              value["pages"].map { |code, target| Seen.names("hreflang #{code}", target, named[code.downcase]) }
            end
          end
        end
      end
    end
  end
end
