# frozen_string_literal: true

require "tmpdir"

module IronTrellis
  module Ports
    module Reports
      # A report printed by Chromium.
      module Pdf
        ENDING = "pdf"
        TYPE = "application/pdf"
        SECONDS = 60
        FLAGS = {
          "no-sandbox" => nil,
          "disable-gpu" => nil,
          "disable-dev-shm-usage" => nil,
          "disable-background-networking" => nil,
          "disable-component-update" => nil,
          "disable-sync" => nil,
          "no-first-run" => nil
        }.freeze

        module_function

        # @param paper [Paper]
        # @return [String] bytes
        # @raise [Core::Error::Conflict] where there is no Chromium, or it doesn't answer
        def write(paper)
          # Not before: no other command needs it.
          require "ferrum"
          Dir.mktmpdir do |folder|
            file = File.join(folder, "report.html")
            File.write(file, Html.write(paper))
            printed("file://#{file}")
          end
        rescue Ferrum::Error => error
          raise Core::Error::Conflict.new(
                  "Chromium can't print the report (#{error.message}). Take HTML, or install Debian's chromium."
                )
        end

        def printed(address)
          browser = Ferrum::Browser.new(timeout: SECONDS, process_timeout: SECONDS, browser_options: FLAGS)
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
