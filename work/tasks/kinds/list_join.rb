# frozen_string_literal: true

require "json"
require "tempfile"

module IronTrellis
  module Work
    module Tasks
      module Kinds
        # Joins a list that was brought with what is known of its URLs. The joined table is kept for a day, to be taken
        # as a file.
        module ListJoin
          CODE = "list_join"
          DOING = "joining a list"
          # More rows nobody reads on a screen.
          SHOWN = 1_000

          module_function

          # @param input [Hash{String => Object}] site, upload (ids), heading, fetch
          # @yieldparam done [Integer]
          # @yieldparam total [Integer]
          # @return [Hash] columns, rows (the first), total, matched (by way), file (number of the joined table)
          def call(input, now:, &progress)
            site = Store::Sites::Site.fetch(input["site"])
            upload = Store::Evidence::Upload.where(site_id: site.id).fetch(input["upload"])
            joining = nil
            rows =
              upload.with_file do |path|
                joining = Lists::Joining.new(site, path, heading: input["heading"])
                joining.call(fetch: input["fetch"], &progress)
              end
            way = joining.columns.index("matched_by")
            {
              columns: joining.columns,
              rows: rows.first(SHOWN),
              total: rows.size,
              matched: rows.map { |row| row[way] || "not" }.tally,
              file: keep(site, upload.name, joining.columns, rows, now)
            }
          end

          def keep(site, name, columns, rows, now)
            Tempfile.create("joined") do |file|
              file.puts(JSON.generate(columns))
              rows.each { |row| file.puts(JSON.generate(row)) }
              file.rewind
              Store::Evidence::Upload.keep(site, name, file, now: now).id
            end
          end
          private_class_method :keep
        end
      end
    end
  end
end
