# frozen_string_literal: true

require "zip"

module IronTrellis
  module Api
    module Resources
      # The sitemaps that a site publishes, and those that are built for it.
      module Sitemaps
        # What the routes share.
        module View
          def sitemaps
            decided = crawl.site.decisions.in_force("sitemaps").values.first
            plan = crawl.site.sitemap_plan
            book = Store::Sitemaps::Published.new(run, plan)
            {files: book.files, difference: book.difference, outline: book.outline, plan: plan, decision: decided&.view,
             builds: Store::Sitemaps::SitemapBuild.where(site_id: crawl.site_id).order(id: :desc).map(&:view)}
          end

          def build = Store::Sitemaps::SitemapBuild.where(site_id: site.id).fetch(params[:build])

          # As they must lie on the servers: a folder for each host.
          def archive
            content_type "application/zip"
            file_of(site, "sitemaps.zip")
            Zip::OutputStream.write_buffer do |zip|
              build.files.each do |file|
                zip.put_next_entry("#{Core::Sitemaps::Folder.of(file.host)}/#{file.name}")
                zip.write(file.content)
              end
            end.string
          end

          def built_file
            file =
              build.files.find_by(host: params[:host], name: params[:name]) ||
              raise(Core::Error::NotFound.new("That set has no file #{params[:name]} for #{params[:host]}."))
            content_type file.name.end_with?(".gz") ? "application/gzip" : "application/xml"
            attachment file.name
            file.content
          end
        end

        # A file that is looked at before it is published.
        module Checked
          def sitemap_check(file)
            result, first = Work::Sitemaps::Check.call(file, location: params[:location], now: now)
            {
              kind: result.kind,
              entries: result.count,
              bytes: result.bytes,
              faults: result.flaws.map(&:to_h),
              first: first
            }
          end
        end

        def self.registered(app)
          app.helpers View, Checked

          app.get("/api/crawls/:crawl/sitemaps") { json(sitemaps) }

          app.post("/api/crawls/:crawl/sitemaps/again") do
            Store::Sitemaps::Published.new(run, crawl.site.sitemap_plan).check(body_json["url"])
            ask(Work::Tasks::Kinds::SitemapAgain, crawl: crawl.id, url: body_json["url"])
          end

          app.post("/api/sites/:site/sitemaps") { json(Work::Sitemaps::Building.ask(site, now: now).view) }

          app.get("/api/sites/:site/sitemaps/:build.zip") { archive }

          app.get("/api/sites/:site/sitemaps/:build/file") { built_file }

          app.post("/api/trials/sitemap") { sent_file { |file| json(sitemap_check(file)) } }
        end
      end
    end
  end
end
