# frozen_string_literal: true

module IronTrellis
  module Api
    module Resources
      # Whether what was done holds: fixes with what was found of each, and the report on all of it.
      module Proofs
        # What the routes share.
        module View
          def reporting = Work::Proofs::Reporting.new(site, now: now, from: params[:from]&.to_i)

          def report_view
            told = reporting
            {
              numbers: told.report.numbers,
              stops: told.report.stops,
              crawls: told.crawls,
              all_sections: Core::Proofs::Report::SECTIONS.map { |name, title| {name: name, title: title} },
              settings: told.settings,
              sections: told.sections.map(&:to_h)
            }
          end
        end

        def self.registered(app)
          app.helpers View

          app.get("/api/sites/:site/proofs") { json(Work::Proofs::Overview.new(site).call) }

          app.get("/api/sites/:site/report") { json(report_view) }

          app.put("/api/sites/:site/report") do
            Work::Proofs::Reporting.keep(site, body_json)
            json(report_view)
          end

          app.post("/api/sites/:site/report/print") do
            ask(Work::Tasks::Kinds::ReportPrinted, site: site.id, from: optional_json["from"])
          end

          app.get("/api/sites/:site/report/printed/:file") do
            file = Store::Evidence::Upload.where(site_id: site.id).fetch(params[:file])
            printed = file.with_file { |path| File.binread(path) }
            unless Work::Reports::Pdf.made?(printed)
              raise Core::Error::NotFound.new("There is no printed report of this number. Print it again.")
            end

            file_of(site, "report.pdf")
            content_type Work::Reports::Pdf::TYPE
            printed
          end

          app.get("/api/sites/:site/report/:form") do
            form = Work::Reports::Forms.named(params[:form])
            file_of(site, "report.#{form::ENDING}")
            content_type form::TYPE
            form.write(reporting.paper)
          end
        end
      end
    end
  end
end
