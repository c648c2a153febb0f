# frozen_string_literal: true

module IronTrellis
  module Work
    module Sitemaps
      # Reads one sitemap file as a stream and tells what it is and what is wrong with it.
      module Check
        ELSEWHERE = "http://localhost/"
        FIRST = 10

        module_function

        # @param source [String, IO] its bytes
        # @param location [String, nil] where it lies, or will lie; what depends on that isn't checked otherwise
        # @param now [Time]
        # @return [Array(Core::Sitemaps::Reader::Result, Array<String>)] with the first URLs that it lists
        # @raise [Core::Error::InvalidInput]
        def call(source, location:, now:)
          lies = location.to_s.empty? ? nil : Core::Url::NormalForm.parse(location)
          first = []
          reader = Core::Sitemaps::Reader.new(lies || Core::Url::NormalForm.parse(ELSEWHERE), now: now, location: lies)
          [reader.call(source) { |entry| first << entry.url if first.size < FIRST && entry.url }, first]
        end
      end
    end
  end
end
