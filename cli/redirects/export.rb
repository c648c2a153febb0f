# frozen_string_literal: true

module IronTrellis
  module Cli
    module Redirects
      # The command routes export.
      class Export
        # @param path [String, nil]
        # @param options [Hash] format, site
        def initialize(path, options)
          @path = path
          @options = options
        end

        # @return [Integer] exit code
        def call
          writer = Ports::Redirects.writer(@options["format"])
          puts Ports::Redirects.write(@options["format"], @options["site"] ? of_site : of_file(writer))
          Ending::DONE
        end

        private

        def of_site
          Store::Postgres::Database.prepare
          site = Sites::Named.named(@options["site"])
          Store::Redirects::RouteMap.new(site, site.newest_crawl&.verdict_run).flattened
        end

        def of_file(writer)
          raise Ending.new("Give a file, or the name of a site with --site.", Ending::WRONG_USAGE) if @path.nil?

          routes, bad = Ports::Redirects::Maps::Csv.read(InputFile.read(@path))
          InputFile.warn_of(@path, bad)
          paths = routes.reject { |route| route.pattern? || route.from.match?(Sitemaps::Check::WEB) }
          if paths.any? && writer::WHOLE_ADDRESSES
            raise Ending.new(
              "#{paths.first.from} is a path; a server's rules need whole addresses.",
              Ending::WRONG_USAGE
            )
          end

          exact, patterns = routes.partition { |route| !route.pattern? }
          Core::Redirects::MapCheck
            .new(exact)
            .flattened
            .map { |route| Core::Redirects::Route.new(**route.to_h, kind: "exact", query: "match") } + patterns
        end
      end
    end
  end
end
