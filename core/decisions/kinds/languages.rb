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
          end
        end
      end
    end
  end
end
