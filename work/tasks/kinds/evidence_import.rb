# frozen_string_literal: true

module IronTrellis
  module Work
    module Tasks
      module Kinds
        # Takes over a file of evidence that was brought, and has the newest crawl judged again.
        module EvidenceImport
          CODE = "evidence_import"
          DOING = "an import of evidence"

          module_function

          # @param input [Hash{String => Object}] site, upload (ids), kind, index, date, columns, words, whole, by
          # @yieldparam done [Integer] rows read
          # @yieldparam total [nil]
          # @return [Hash] as Evidence::Importing#call
          def call(input, now:)
            site = Store::Sites::Site.fetch(input["site"])
            upload = Store::Evidence::Upload.where(site_id: site.id).fetch(input["upload"])
            result =
              upload.with_file do |path|
                options = import_options(input, upload)
                Evidence::Importing.new(site, path, options, now: now).call { |rows| yield rows, nil }
              end
            upload.destroy!
            Judging::JudgingQueue.changed(site, now: now)
            result
          end

          def import_options(input, upload)
            Evidence::Importing::Told.new(
              kind: input["kind"],
              index: input["index"],
              date: input["date"] && Core::Evidence::Cells.date(input["date"]),
              columns: input["columns"] || {},
              words: input["words"] || {},
              whole: input["whole"],
              name: upload.name,
              by: input["by"]
            )
          end
          private_class_method :import_options
        end
      end
    end
  end
end
