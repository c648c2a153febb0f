# frozen_string_literal: true

require "alba"

module IronTrellis
  module Api
    # How things look as JSON.
    module Views
      # Who is signed in.
      class User
        include Alba::Resource

        attributes :id, :name, :email, :role
      end

      # A site with what it was told and what is wanted of it.
      class Site
        include Alba::Resource

        attributes :id, :name
        attribute(:settings) { |site| Views.settings(site.crawl_settings) }
        attribute(:intents) { |site| site.intents.reload.map { |one| {pattern: one.pattern, intent: one.intent} } }
        attribute(:key_pages) { |site| site.key_pages.reload.map(&:url) }
        attribute(:newest_crawl) { |site| site.newest_crawl&.id }
      end

      # A crawl and how far it is.
      class Crawl
        include Alba::Resource

        attributes :id, :site_id, :number, :state, :scope, :message
        attribute(:settings) { |crawl| Views.settings(crawl.crawl_settings) }
        attribute(:progress) { |crawl| Store::Progress.of(crawl).to_h }
        attribute(:troubles) { |crawl| crawl.verdict_run ? Store::StartTroubles.of(crawl) : [] }
        %i[created_at started_at finished_at].each { |name| attribute(name) { |crawl| crawl[name]&.iso8601 } }
      end

      module_function

      # External links can't be checked yet, so that setting isn't offered.
      def settings(settings) = settings.to_h.except("check_external")
    end
  end
end
