# frozen_string_literal: true

module IronTrellis
  module Core
    module Copies
      # The blocks that the pages of one folder share, in whichever depth: what frames a part of a site. Pages come in
      # the order of their addresses, so that of each folder no more is held than while its pages go by.
      class FolderFrames
        FOLDER = %r{\Ahttps?://[^/]+/(?:[^?#]*/)?}
        # So many pages of one folder, with those below it, tell what is usual there.
        SAMPLE = 12
        # So many pages of a site are looked at in all, those of large folders first.
        MOST_PAGES = 20_000

        # @param url [String]
        # @return [Array<String>] the folders that it lies in, from the outermost below its host
        #   FolderFrames.folders("http://a.test/x/y/z") # => ["http://a.test/x/", "http://a.test/x/y/"]
        def self.folders(url)
          origin, *parts = url[FOLDER].to_s.split(%r{(?<=[^/:]/)})
          parts.reduce([origin]) { |found, part| found << (found.last + part) }.drop(1)
        end

        # @param urls [Array<String>] of all pages
        def initialize(urls)
          @folders = sampled(urls)
          @open = {}
          @found = {}
        end

        # @return [Array<String>] the pages to look at, in byte order
        def sample = @folders.keys.sort

        # @param url [String] of one of the sample, behind all before in byte order
        # @param blocks [Array<String>] of its text, outside the frames
        # @return [void]
        def add(url, blocks)
          close { |folder| !url.start_with?(folder) }
          @folders.fetch(url).each { |folder| (@open[folder] ||= []) << blocks }
        end

        # @return [Hash{String => Hash{String => true}}] by folder, its boilerplate; none where it has none
        def call
          close { true }
          @found
        end

        private

        # @return [Hash{String => Array<String>}] by page, the folders for which it is looked at
        def sampled(urls)
          pages = Hash.new { |all, folder| all[folder] = [] }
          urls.each { |url| self.class.folders(url).each { |folder| pages[folder] << url } }
          large =
            pages
              .select { |_, some| some.size >= Boilerplate::LEAST_PAGES }
              .sort_by { |folder, some| [-some.size, folder] }
          large.each_with_object({}) do |(folder, some), taken|
            spread(some).each { |url| (taken[url] ||= []) << folder } if taken.size < MOST_PAGES
          end
        end

        def spread(pages) =
          (pages.size <= SAMPLE) ? pages : pages.each_slice((pages.size / SAMPLE.to_f).ceil).map(&:first)

        def close
          @open.keys.select { |folder| yield folder }.each do |folder|
            boilerplate = Boilerplate.of(@open.delete(folder))
            @found[folder] = boilerplate if boilerplate.any?
          end
        end
      end
    end
  end
end
