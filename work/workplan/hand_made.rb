# frozen_string_literal: true

require "time"

module IronTrellis
  module Work
    module Workplan
      # Fixes that people make themselves, beside those that come from faults.
      module HandMade
        MOST_TITLE = 200
        MOST_URLS = 500
        # So much a page where nobody says how long it takes.
        HOURS_A_PAGE = {"content" => 1.5, "links" => 0.05, "request" => 0.05}.freeze
        USUAL_HOURS = 1.0
        CAUSE = "hand"

        module_function

        # @param site [Store::Sites::Site]
        # @param input [Hash{String => Object}] kind, title, and where given place, reason, urls, hours, owner, grade
        # @param by [String]
        # @param now [Time]
        # @return [Store::Workplan::Fix]
        # @raise [Core::Error::InvalidInput]
        def add(site, input, by:, now:)
          title, urls = checked(input)
          parts = parts(site, urls, input["grade"] || "weakens")
          ActiveRecord::Base.transaction do
            Store::Workplan::Fix.create!(
              site: site,
              number: site.take_fix_number,
              kind: input["kind"],
              place: input["place"] || Core::Workplan::FixBuilder::NOWHERE,
              cause: CAUSE,
              title: title,
              reason: input["reason"].to_s,
              owner: input["owner"],
              hours: input["hours"] || hours(input["kind"], urls),
              benefit: Core::Workplan::Worth.of_parts(parts),
              urls: parts.map(&:to_h),
              hand_made: true,
              history: [{"at" => now.utc.iso8601, "state" => Core::Workplan::States::OPEN, "by" => by}],
              made_at: now,
              changed_at: now
            )
          end
        end

        def checked(input)
          kinds = Core::Workplan::Kinds::ALL
          unless kinds.include?(input["kind"])
            wrong("There is no kind “#{input["kind"]}”; use one of #{kinds.join(", ")}.")
          end
          title = input["title"].to_s.strip
          wrong("Say in a few words what is to be done.") if title.empty? || title.size > MOST_TITLE
          urls = (input["urls"] || []).map { |url| Core::Url::NormalForm.parse(url).to_s }.uniq
          wrong("A fix holds #{MOST_URLS} URLs at most.") if urls.size > MOST_URLS
          [title, urls]
        end

        def wrong(message) = raise(Core::Error::InvalidInput.new(message))

        def hours(kind, urls)
          a_page = HOURS_A_PAGE[kind]
          (a_page && urls.any?) ? (a_page * urls.size).round(Core::Workplan::Effort::DIGITS) : USUAL_HOURS
        end

        def parts(site, urls, grade)
          run = site.newest_crawl&.verdict_run
          known = run ? Store::Ledger::Lookup.new(run).importance(urls) : {}
          urls.map do |url|
            Core::Workplan::Worth::Part.new(url: url, importance: known[url].to_f, grade: grade, share: 1.0)
          end
        end

        private_class_method :checked, :wrong, :hours, :parts
      end
    end
  end
end
