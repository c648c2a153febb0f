# frozen_string_literal: true

module IronTrellis
  module Core
    module Sitemaps
      # The folder in which the files of one host lie.
      module Folder
        module_function

        # @param origin [String] "https://www.example.test:8080"
        # @return [String] a name, never a way out of where it lies
        # @example
        #   IronTrellis::Core::Sitemaps::Folder.of("https://www.example.test:8080") # => "www.example.test_8080"
        #   IronTrellis::Core::Sitemaps::Folder.of("http://..") # => "__"
        def of(origin) =
          origin.sub(%r{\A[a-z]+://}, "").gsub(/[^A-Za-z0-9.-]/, "_").sub(/\A\.+/) { |dots| "_" * dots.size }
      end
    end
  end
end
