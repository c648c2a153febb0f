# frozen_string_literal: true

require "alba"
require "time"

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
        attribute(:settings) { |site| site.crawl_settings.to_h }
        attribute(:secrets) { |site| Store::Settings::Secrets.shown(site.id) }
        attribute(:timetable) { |site| Views.timetable(site.timetable) }
        attribute(:intents) do |site|
          site
            .decisions
            .values("intent")
            .reject { |subject, _| Core::Url::Pattern.new(subject).exact? }
            .map { |subject, value| {pattern: subject, intent: value["intent"]} }
            .reverse
        end
        attribute(:key_pages) { |site| site.key_pages.reload.map(&:url) }
        attribute(:newest_crawl) { |site| site.newest_crawl&.id }
      end

      # A crawl and how far it is.
      class Crawl
        include Alba::Resource

        attributes :id, :site_id, :number, :state, :scope, :asked, :message, :kept, :judging_error, :unanswered
        attribute(:settings) { |crawl| crawl.crawl_settings.to_h }
        attribute(:progress) { |crawl| Store::Crawling::Progress.of(crawl).to_h }
        attribute(:run) { |crawl| crawl.verdict_run&.id }
        attribute(:judged_again) { |crawl| crawl.judged_again? }
        attribute(:errors) { |crawl| crawl.verdict_run ? Store::Crawling::StartFailures.of(crawl) : [] }
        %i[created_at started_at finished_at].each { |name| attribute(name) { |crawl| crawl[name]&.iso8601 } }
      end

      module_function

      # What was taken away, and until when it can be brought back.
      def removed(record, name) =
        {
          id: record.id,
          name: name,
          removed_at: record.removed_at.iso8601,
          removed_by: record.removed_by,
          until: (record.removed_at + Work::Sites::Removal::BACK_SECONDS).iso8601
        }

      def timetable(row) = row && {cron: row.cron, time_zone: row.time_zone, next_at: row.next_at.iso8601}
    end
  end
end
