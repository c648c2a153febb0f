# frozen_string_literal: true

require "tmpdir"

module IronTrellis
  module Fetch
    module Rendering
      # A page of our own as it is printed.
      module Printing
        SECONDS = 60

        module_function

        # @param html [String] a page that stands alone
        # @return [String] a PDF, bytes
        # @raise [Core::Error::Conflict] where there is no Chromium, or it doesn't answer
        def call(html)
          # Not before: no other command needs it.
          require "ferrum"
          Dir.mktmpdir do |folder|
            file = File.join(folder, "page.html")
            File.write(file, html)
            printed("file://#{file}")
          end
        rescue ::Ferrum::Error => error
          raise Core::Error::Conflict.new(
                  "Chromium can't print the report (#{error.message}). Take HTML, or install Debian's chromium."
                )
        end

        def printed(address)
          browser = Chromium.start(timeout: SECONDS)
          browser.go_to(address)
          browser.pdf(encoding: :binary, prefer_css_page_size: true, print_background: true)
        ensure
          browser&.quit
        end
        private_class_method :printed
      end
    end
  end
end
