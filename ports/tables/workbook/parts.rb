# frozen_string_literal: true

require "zip"

module IronTrellis
  module Ports
    module Tables
      class Workbook
        # What a workbook is packed of, measured before any of it is unpacked: what a small file unpacks to may fill
        # the disk, and the memory.
        module Parts
          # In bytes: of all parts, and of those that must be in memory as a whole.
          MOST = 2_000_000_000
          MOST_OF = {
            /sharedstrings\.xml\z/i => 150_000_000,
            /styles\.xml\z/i => 5_000_000,
            /workbook\.xml\z|\.rels\z/i => 500_000
          }.freeze
          # Sheets of millions of alike rows pack to a fiftieth; only what was made to harm to less.
          LARGE = 1_000_000
          MOST_PACKED = 200

          class << self
            # @param path [String]
            # @return [void]
            # @raise [Core::Error::InvalidInput]
            def check(path)
              Zip::File.open(path) { |zip| measure(zip.entries) }
            rescue Zip::Error
              raise Core::Error::InvalidInput.new("The workbook can't be read: it is no zip archive, or damaged.")
            end

            private

            def measure(entries)
              refuse("#{MOST / 1_000_000_000} GB") if entries.sum(&:size) > MOST
              entries.each do |part|
                most = MOST_OF.find { |name, _| name.match?(part.name) }&.last
                refuse("#{most / 1_000_000.0} MB in #{part.name}") if most && part.size > most
                refuse("#{MOST_PACKED} times its size") if tight?(part)
              end
            end

            def tight?(part) = part.size > LARGE && part.size > part.compressed_size * MOST_PACKED

            def refuse(what)
              raise Core::Error::InvalidInput.new(
                      "The workbook unpacks to more than can be read (#{what}). Save it as CSV."
                    )
            end
          end
        end
      end
    end
  end
end
