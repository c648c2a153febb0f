# frozen_string_literal: true

require "stringio"
require "zlib"

module IronTrellis
  module Work
    module Sitemaps
      # Builds the sitemaps of a site by its plan: a set of files for each host, kept until newer ones take their place.
      class Building
        # Keeps a file when it is closed.
        class Kept
          def initialize(packed, &keep)
            @bytes = StringIO.new("".b)
            @io = packed ? Zlib::GzipWriter.new(@bytes) : @bytes
            @keep = keep
          end

          def <<(text) = @io << text

          def close
            @io.finish if @io.is_a?(Zlib::GzipWriter)
            @keep.call(@bytes.string)
          end
        end

        # @param site [Store::Sites::Site]
        # @param now [Time]
        # @return [Store::Sitemaps::SitemapBuild] that waits to be built, in a job
        # @raise [Core::Error::Conflict]
        def self.ask(site, now:)
          ActiveRecord::Base.transaction do
            build = begin_build(site, now)
            Runtime::Queue.enqueue("BuildSitemaps", {build_id: build.id})
            build
          end
        end

        # @param site [Store::Sites::Site]
        # @param clock [#call]
        # @return [Store::Sitemaps::SitemapBuild] built at once
        # @raise [Core::Error::Conflict]
        def self.now(site, clock:) = begin_build(site, clock.call).tap { |build| new(build, clock: clock).call }.reload

        def self.begin_build(site, now)
          run = site.newest_crawl&.verdict_run or
            raise Core::Error::Conflict.new("The site has no crawl yet that could say what to list. Crawl it first.")
          Store::Sitemaps::SitemapBuild.create!(
            site: site,
            run_id: run.id,
            state: Store::Sitemaps::SitemapBuild::WAITING,
            asked_at: now
          )
        end
        private_class_method :begin_build

        # Has them built anew where the plan says so and the crawl is the newest of the whole site.
        #
        # @param crawl [Store::Crawling::Crawl] judged
        # @param now [Time]
        # @return [void]
        def self.after_crawl(crawl, now:)
          if crawl.site.sitemap_plan["rebuild"] == "after_crawl" && crawl.site.newest_crawl == crawl
            ask(crawl.site, now: now)
          end
        end

        # Has those built anew that were last built a day ago or earlier, where the plan says so.
        #
        # @param now [Time]
        # @return [void]
        def self.ask_due(now)
          Store::Decisions::Decision.where(kind: "sitemaps").distinct.pluck(:site_id).each do |site_id|
            Store::Sites::Site.transaction do
              site = Store::Sites::Site.lock.find_by(id: site_id) or next
              newest = Store::Sitemaps::SitemapBuild.where(site_id: site_id).maximum(:asked_at)
              if site.sitemap_plan["rebuild"] == "daily" && site.newest_crawl && (newest.nil? || newest <= now - DAY)
                ask(site, now: now)
              end
            end
          end
        end

        DAY = 24 * 3600

        # @param build [Store::Sitemaps::SitemapBuild]
        # @param clock [#call]
        def initialize(build, clock:)
          @build = build
          @site = build.site
          @clock = clock
          @plan = @site.sitemap_plan
        end

        # @return [void]
        def call
          run = @site.newest_crawl.verdict_run
          ActiveRecord::Base.transaction do
            @build.files.delete_all
            urls = write(Store::Sitemaps::Listings.new(run, @site, @plan, @clock.call))
            @build.update!(
              run_id: run.id,
              state: Store::Sitemaps::SitemapBuild::BUILT,
              built_at: @clock.call,
              urls: urls
            )
          end
          Store::Sitemaps::SitemapBuild
            .where(site_id: @site.id)
            .order(id: :desc)
            .offset(Store::Sitemaps::SitemapBuild::KEPT)
            .each(&:destroy!)
        end

        private

        def write(listings)
          urls = 0
          listings.each do |row|
            begin_host(row.origin) if row.origin != @origin
            @writer.add(
              row.listing,
              part: @plan["by_group"] ? row.group.delete_prefix(row.origin[%r{[^/]+\z}]) : "pages"
            )
            urls += 1
          end
          end_host
          urls
        end

        def begin_host(origin)
          end_host
          @origin = origin
          @contents = {}
          @writer = Core::Sitemaps::Writer.new("#{origin}/", ending: @plan["packed"] ? ".xml.gz" : ".xml") do |name|
            Kept.new(name.end_with?(".gz")) { |bytes| @contents[name] = bytes }
          end
        end

        def end_host
          return if @writer.nil?

          @writer.finish.each do |file|
            Store::Sitemaps::BuiltSitemap.create!(
              sitemap_build_id: @build.id,
              host: @origin,
              name: file.name,
              urls: file.urls,
              bytes: file.bytes,
              lastmod: file.lastmod,
              content: @contents.delete(file.name)
            )
          end
          @writer = nil
        end
      end
    end
  end
end
