# frozen_string_literal: true

require "tempfile"
require "time"

module IronTrellis
  module Api
    module Resources
      # What is to be done about a site: its fixes, laid out in time.
      module Workplan
        # What the routes share.
        module View
          def workplan
            {
              made_at: site.fixes_made_at&.iso8601,
              owners: Work::Workplan::WorkplanSettings.new(site).owners,
              states: Store::Workplan::Fix.of(site).group(:state).count,
              fixes: Work::Workplan::Listing.new(site).brief(params[:state])
            }
          end

          def named_fix = Store::Workplan::Fix.named(site, [params[:fix]]).first

          def one_fix =
            Work::Workplan::Listing.new(site).one(named_fix).merge(
              "stand_in" => !Work::Workplan::Applying.client(site).nil?
            )

          def lanes = Work::Workplan::Lanes.new(site, today: now.to_date).call
        end

        def self.registered(app)
          app.helpers View
          plan(app)
          fixes(app)
          changes(app)
        end

        def self.plan(app)
          app.get("/api/sites/:site/workplan") { json(lanes) }

          app.put("/api/sites/:site/workplan") do
            Work::Workplan::WorkplanSettings.new(site).keep(body_json)
            json(lanes)
          end

          app.get("/api/sites/:site/workplan.:format") do
            unless Work::Workplan::PlanFiles::ENDINGS.include?(params[:format])
              raise Core::Error::NotFound.new("A plan is written as ics, csv or xlsx, not #{params[:format]}.")
            end

            Tempfile.create("plan") do |file|
              Work::Workplan::PlanFiles.new(site).write(params[:format], file.path)
              file_of(site, "workplan.#{params[:format]}")
              content_type "application/octet-stream"
              File.binread(file.path)
            end
          end
        end

        def self.fixes(app)
          app.get("/api/sites/:site/fixes") { json(workplan) }

          app.post("/api/sites/:site/fixes") do
            fix = Work::Workplan::HandMade.add(site, body_json, by: user.name, now: now)
            status 201
            json(id: fix.name)
          end

          app.get("/api/sites/:site/fixes/:fix") { json(one_fix) }

          app.put("/api/sites/:site/fixes/:fix") do
            Work::Workplan::Changing.new(site, params[:fix]).call(body_json, now: now)
            json(one_fix)
          end

          app.get("/api/sites/:site/fixes/:fix/text") do
            text = one_fix["text"].find { |one| one["name"] == params[:name] } or
              raise Core::Error::NotFound.new("#{params[:fix]} carries no text “#{params[:name]}”.")
            attachment text["name"].tr("/", "-")
            content_type "application/octet-stream"
            text["content"]
          end
        end

        def self.changes(app)
          app.post("/api/sites/:site/fixes/again") do
            ask(Work::Tasks::Kinds::FixesAgain, quick: false, site: site.id, **body_json.transform_keys(&:to_sym))
          end

          app.post("/api/sites/:site/fixes/claim") do
            Work::Workplan::Claiming.call(site, body_json["ids"], by: user.name, now: now)
            json(workplan)
          end

          app.post("/api/sites/:site/fixes/state") do
            ids, state, why = body_json.values_at("ids", "state", "why")
            Work::Workplan::ChangeState.call(site, ids, state, by: user.name, now: now, why: why)
            json(workplan)
          end

          app.post("/api/sites/:site/fixes/prove") do
            ask(Work::Tasks::Kinds::FixesProof, quick: false, site: site.id, ids: body_json["ids"], by: user.name)
          end

          app.post("/api/sites/:site/fixes/join") do
            fix = Work::Workplan::Dividing.new(site, by: user.name, now: now).join(body_json["ids"])
            json(id: fix.name)
          end

          app.post("/api/sites/:site/fixes/:fix/split") do
            fix = Work::Workplan::Dividing.new(site, by: user.name, now: now).split(params[:fix], body_json["urls"])
            json(id: fix.name)
          end

          app.post("/api/sites/:site/fixes/:fix/apply") do
            Work::Workplan::Applying.new(site).call(Work::Workplan::Listing.new(site).one(named_fix)["text"])
            json(one_fix)
          end

          app.post("/api/sites/:site/fixes/:fix/set-aside") do
            Work::Workplan::ChangeState.set_aside(site, params[:fix], body_json, by: user.name, now: now)
            json(one_fix)
          end
        end
        private_class_method :plan, :fixes, :changes
      end
    end
  end
end
