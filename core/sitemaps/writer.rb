# frozen_string_literal: true

module IronTrellis
  module Core
    module Sitemaps
      # Writes a set of sitemap files for one host, entry by entry: a file ends when it is full by number or by size,
      # and an index names them all. Whatever the number of URLs, no more than one entry is held.
      class Writer
        # One file that was written: its name, how many URLs it lists, its bytes uncompressed, and the newest date in it
        # (nil where none is known).
        Written = Struct.new(:name, :urls, :bytes, :lastmod, keyword_init: true)

        INDEX = "sitemap.xml"

        # @param base [String] address of the folder in which the files will lie, "http://a.test/"
        # @param ending [String] of the files' names: ".xml", ".xml.gz" where the sink packs them
        # @param most_entries [Integer] of a file
        # @param most_bytes [Integer] of a file, uncompressed
        # @yieldparam name [String] of the file that begins now
        # @yieldreturn [#<<, #close] takes its text
        def initialize(base, ending: ".xml", most_entries: Checks::MOST_ENTRIES, most_bytes: Checks::MOST_BYTES, &sink)
          @base = base
          @ending = ending
          @most_entries = most_entries
          @room = most_bytes - Xml.tail.bytesize
          @sink = sink
          @files = []
          @numbers = Hash.new(0)
        end

        # @param listing [Listing]
        # @param part [String] what file it goes to: "pages" or the name of a group
        # @return [void]
        def add(listing, part: "pages")
          text = Xml.entry(listing)
          begin_file(part) if @part != part || @file.urls >= @most_entries || @file.bytes + text.bytesize > @room
          write(text)
          @file.urls += 1
          @file.lastmod = [@file.lastmod, listing.lastmod].compact.max
        end

        # Ends the last file and writes the index.
        #
        # @return [Array<Written>] all files, the index last; none where nothing was listed
        # @raise [Error::InvalidInput] where there are more files than an index may name
        def finish
          end_file
          return [] if @files.empty?
          if @files.size > Checks::MOST_ENTRIES
            raise Error::InvalidInput.new(
                    "#{@files.size} files are more than an index may name (#{Checks::MOST_ENTRIES})."
                  )
          end

          text = Xml.index(@files.map { |file| [@base + file.name, file.lastmod] })
          @sink.call(INDEX).then { |io| [io << text, io.close] }
          @files +
            [
              Written.new(
                name: INDEX,
                urls: @files.size,
                bytes: text.bytesize,
                lastmod: @files.filter_map(&:lastmod).max
              )
            ]
        end

        private

        def begin_file(part)
          end_file
          @part = part
          number = (@numbers[slug(part)] += 1)
          @file = Written.new(name: "sitemap-#{slug(part)}-#{number}#{@ending}", urls: 0, bytes: 0)
          @io = @sink.call(@file.name)
          write(Xml.head)
        end

        def write(text)
          @io << text
          @file.bytes += text.bytesize
        end

        def end_file
          return if @file.nil?

          write(Xml.tail)
          @io.close
          @files << @file
          @file = @part = nil
        end

        # A name that may stand in an address.
        def slug(part) =
          part.downcase.gsub(/[^a-z0-9]+/, "-").gsub(/\A-|-\z/, "").then { |name| name.empty? ? "home" : name }
      end
    end
  end
end
