# frozen_string_literal: true

require "fileutils"

module IronTrellis
  module Cli
    module Sitemaps
      # The command sitemap build.
      class Build
        # @param options [Hash] site, out
        def initialize(options)
          @options = options
        end

        # @return [Integer] exit code
        def call
          Store::Postgres::Database.prepare
          build = Work::Sitemaps::Building.now(Sites::Named.named(@options["site"]), clock: -> { Time.now })
          build.files.each { |file| write(file) }
          warn "#{build.urls} URLs in #{build.files.size} files"
          puts build.robots_lines
          Ending::DONE
        end

        private

        def write(file)
          folder = File.join(@options["out"], Core::Sitemaps::Folder.of(file.host))
          FileUtils.mkdir_p(folder)
          File.binwrite(File.join(folder, file.name), file.content)
        end
      end
    end
  end
end
