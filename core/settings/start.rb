# frozen_string_literal: true

module IronTrellis
  module Core
    module Settings
      # Where a crawl begins, as people write it: a web address, or a bare domain (example.test), of which it is found
      # out when the crawl begins whether it answers over https or http, and where it sends its visitors.
      module Start
        BARE = %r{\A(?:[[:alnum:]-]+\.)*[[:alnum:]-]+(?::\d+)?(?:/\S*)?\z}
        SCHEME = %r{\Ahttps?://}i
        # What is taken for it until it is found out.
        FIRST = "https://"
        SECOND = "http://"

        module_function

        # @param text [String]
        # @return [String] in normal form, without a scheme where none was written
        # @raise [Url::NormalForm::Malformed]
        #   Start.read(" Example.test ") # => "example.test/"
        #   Start.read("a b")            # raises Malformed
        def read(text)
          text = text.strip
          return Url::NormalForm.of(text) unless bare?(text)

          Url::NormalForm.of(SECOND + text).delete_prefix(SECOND)
        end

        # @param text [String]
        # @return [Boolean] whether nobody said yet which scheme it has
        def bare?(text) =
          !SCHEME.match?(text) && BARE.match?(text) && (text.include?(".") || text.match?(/\Alocalhost\b/i))

        # @param text [String] as #read gives it
        # @return [String] a URL to work with
        def url(text) = bare?(text) ? FIRST + text : text
      end
    end
  end
end
