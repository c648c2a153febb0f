# frozen_string_literal: true

module IronTrellis
  module Work
    module Redirects
      # Taking over a redirect map from a file: what can be used is decided, the rest is told by its lines.
      class Importing
        # JSON that is written for people takes a line for each of a route's values, and two around them.
        LINES_A_ROUTE = 7
        PIECE = 1_000_000

        # @param site [Store::Sites::Site]
        # @param format [String]
        # @param file [IO]
        # @raise [Core::Error::InvalidInput] where the file can't be read, or holds more than can be decided at once
        def initialize(site, format, file)
          @site = site
          # Seen before it is read: reading holds up what others ask for.
          refuse_over(LINES_A_ROUTE * Decisions::Decide::MOST, lines(file))
          @routes, @bad = Ports::Redirects.reader(format).read(file)
          refuse_over(Decisions::Decide::MOST, @routes.size)
        end

        # @param by [String]
        # @param now [Time]
        # @param note [String, nil]
        # @return [Hash] ids of the decisions, read (how many rows), bad (line and why)
        def call(by:, now:, note: nil)
          refused = []
          kept = @routes.filter_map { |route| usable(route, refused) }
          ids = Decisions::Decide.decide(@site, "route", kept, by: by, now: now, note: note)
          {ids: ids, read: @routes.size + @bad.size, bad: (@bad + refused).sort_by(&:line).map(&:to_h)}
        end

        private

        def lines(file)
          count = 0
          while (piece = file.read(PIECE))
            count += piece.count("\n")
          end
          file.rewind
          count
        end

        def refuse_over(most, size)
          return if size <= most

          raise Core::Error::InvalidInput.new(
            "The file holds too much (#{size}): at most #{Decisions::Decide::MOST} routes can be brought at once. " \
            "Split it into several."
          )
        end

        def kind = Core::Decisions::Registry.fetch("route")

        def settings = @settings ||= @site.crawl_settings

        # What can be read from a file may still be no route that can be used.
        def usable(route, refused)
          value = {
            "to" => route.to,
            "status" => route.status,
            "kind" => route.kind,
            "query" => route.query,
            "why" => "brought by a file"
          }
          subject, value = kind.placed(route.from, value) { |address| settings.whole(address) }
          kind.read(subject, value)
          {"subject" => subject, "value" => value}
        rescue Core::Error::InvalidInput => error
          refused << Ports::Tables::CsvRows::Bad.new(line: route.line, why: error.message)
          nil
        end
      end
    end
  end
end
