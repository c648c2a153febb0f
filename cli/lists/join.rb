# frozen_string_literal: true

module IronTrellis
  module Cli
    module Lists
      # The command list.
      class Join
        # @param path [String]
        # @param options [Hash] of the command line
        def initialize(path, options)
          @path = path
          @options = options
        end

        # @return [Integer] exit code
        def call
          heading = self.heading
          format = Ports::Tables.named(File.extname(@options["out"]).delete_prefix(".").downcase)
          InputFile.check(@path)
          Store::Postgres::Database.prepare
          joining = Work::Lists::Joining.new(Sites::Named.named(@options["site"]), @path, heading: heading)
          rows = joining.call(fetch: @options["fetch"]) { |done, total| Printed.looked_at(done, total) }
          format.write(@options["out"], joining.columns, rows)
          InputFile.warn_of(@path, joining.bad)
          warn "#{rows.size} rows written to #{@options["out"]}"
          Ending::DONE
        end

        private

        def heading
          given = Array(@options["column"])
          return if given.empty?

          name, heading = given.last.split("=", 2)
          return heading if name == "url" && !heading.to_s.strip.empty?

          raise Core::Error::InvalidInput.new("“#{given.last}” isn't of the form url=HEADING.")
        end
      end
    end
  end
end
