# frozen_string_literal: true

module IronTrellis
  module Cli
    # The command routes export.
    class RoutesExport
      # @param path [String, nil]
      # @param options [Hash] format, site
      def initialize(path, options)
        @path = path
        @options = options
      end

      # @return [Integer] exit code
      def call
        writer = Ports::Routes.writer(@options["format"])
        puts writer.write(@options["site"] ? of_site : of_file)
        Root::DONE
      end

      private

      def of_site
        Store::Database.prepare
        site = Sites.named(@options["site"])
        Store::Deciding::RouteMap.new(site, site.newest_crawl&.verdict_run).flattened
      end

      def of_file
        raise Root::Stop.new("Give a file, or the name of a site with --site.", Root::WRONG_USAGE) if @path.nil?

        routes, bad = Ports::Routes::CsvMap.read(InputFile.read(@path))
        InputFile.warn_of(@path, bad)
        paths = routes.reject { |route| route.pattern? || route.from.match?(SitemapCheck::WEB) }
        raise Root::Stop.new("#{paths.first.from} is a path; a server's rules need whole addresses.", Root::WRONG_USAGE) if paths.any? && %w[apache nginx].include?(@options["format"])

        exact, patterns = routes.partition { |route| !route.pattern? }
        Core::Routes::MapCheck.new(exact).flattened.map { |route| Core::Routes::Route.new(**route.to_h, kind: "exact", query: "match") } + patterns
      end
    end
  end
end
