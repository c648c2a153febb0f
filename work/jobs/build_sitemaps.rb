# frozen_string_literal: true

module IronTrellis
  module Work
    module Jobs
      # Builds the sitemaps that were asked for.
      class BuildSitemaps < Runtime::Job
        LONG = true

        # (see Runtime::Job.explain)
        def self.explain(_given) = "the building of sitemaps"

        def run(build_id:)
          build = Store::Sitemaps::SitemapBuild.find_by(id: build_id, state: Store::Sitemaps::SitemapBuild::WAITING)
          begin
            Sitemaps::Building.new(build, clock: -> { now }).call if build
          rescue Core::Error => error
            build.update!(state: Store::Sitemaps::SitemapBuild::FAILED, message: error.message)
          end
          finish
        end

        # @return [void]
        def given_up(error)
          Store::Sitemaps::SitemapBuild.where(id: que_attrs[:kwargs][:build_id]).update_all(
            state: Store::Sitemaps::SitemapBuild::FAILED,
            message: explain(error)
          )
        end
      end
    end
  end
end
