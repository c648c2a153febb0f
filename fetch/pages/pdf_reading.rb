# frozen_string_literal: true

require "open3"
require "tempfile"

module IronTrellis
  module Fetch
    module Pages
      # Title and text of a PDF by Poppler's tools. They run as processes of their own with limits on time and memory,
      # since what they read is hostile.
      module PdfReading
        LIMITS = {rlimit_cpu: 10, rlimit_as: 1_500_000_000}.freeze
        MOST_PAGES = 2000

        module_function

        # @param body [String] bytes
        # @return [Array(String, String)] title (nil where it has none) and text, both UTF-8; nil each where it can't be
        #   read
        def call(body)
          Tempfile.create("document", binmode: true) do |file|
            file.write(body)
            file.flush
            [
              title(run("pdfinfo", "-enc", "UTF-8", file.path)),
              run("pdftotext", "-q", "-enc", "UTF-8", "-l", MOST_PAGES.to_s, file.path, "-")
            ]
          end
        end

        def title(info)
          written = info.to_s[/^Title:[ \t]*(.*)$/, 1].to_s.strip
          written.empty? ? nil : written
        end

        def run(*command)
          out, _, status = Open3.capture3(*command, LIMITS)
          out.force_encoding(Encoding::UTF_8).scrub.delete("\0") if status.success?
        end
        private_class_method :title, :run
      end
    end
  end
end
