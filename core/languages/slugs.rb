# frozen_string_literal: true

module IronTrellis
  module Core
    module Languages
      # Tells where the address of a page was left in the language of another: the last part is the same, has words in
      # it, and the titles differ.
      module Slugs
        module_function

        # @param pages [Hash{String => Array(String, String)}] URL and title by language
        # @param main [String] the language from which is translated
        # @return [Hash{String => String}] by language the URL that was left untranslated
        def untranslated(pages, main)
          url, title = pages[main]
          return {} if url.nil?

          slug = Redirects::Naming.slug(url)
          return {} unless worded?(slug)

          pages
            .select do |language, (other, called)|
              language != main && Redirects::Naming.slug(other) == slug && called.to_s.downcase != title.to_s.downcase
            end
            .transform_values(&:first)
        end

        # Two words at least that are no code: names of products are the same everywhere.
        def worded?(slug) = slug.split("-").count { |word| word.match?(/\A[[:alpha:]]{3,}\z/) } >= 2
        private_class_method :worded?
      end
    end
  end
end
