# frozen_string_literal: true

module IronTrellis
  module Store
    module Crawling
      # One crawl of a site: what it was told, how far it is, and where its facts lie.
      class Crawl < Postgres::Record
        self.table_name = "crawls"
        removable

        WAITING = "waiting"
        CRAWLING = "crawling"
        PAUSED = "paused"
        JUDGING = "judging"
        FINISHED = "finished"
        FAILED = "failed"
        FETCHING = [WAITING, CRAWLING, PAUSED].freeze
        ENDED = [FINISHED, FAILED].freeze
        # A whole crawl tells of links, depth and orphans; a partial one (a list, a check of some URLs) of its pages
        # only.
        WHOLE = "whole"
        PARTIAL = "partial"

        belongs_to :site, class_name: "IronTrellis::Store::Sites::Site"
        has_many :verdict_runs, class_name: "IronTrellis::Store::Judging::VerdictRun"

        # Makes a crawl with its partitions and its first URLs.
        #
        # @param site [Sites::Site]
        # @param now [Time]
        # @param slots [Integer] how many workers may share it
        # @param queue [String] the queue its jobs go to
        # @param urls [Array<String>, nil] only these; nil for what the site's settings say
        # @return [Crawl]
        def self.begin(site, now:, slots: 1, queue: "crawl", urls: nil)
          transaction do
            site.lock!
            settings = site.crawl_settings
            crawl =
              create!(
                site: site,
                number: unscoped.where(site_id: site.id).maximum(:number).to_i + 1,
                state: WAITING,
                queue: queue,
                settings: settings.to_h,
                slots: slots,
                created_at: now,
                scope: (urls || settings.mode != "follow") ? PARTIAL : WHOLE,
                asked: urls&.size
              )
            Settings::Secrets.keep(site.id, crawl.id, Settings::Secrets.of(site.id))
            Postgres::Partitions.make(Postgres::Partitions::BY_CRAWL, crawl.id)
            # Of a bare domain it is found out first where it answers.
            crawl.seed(urls || settings.first_urls, now) unless urls.nil? && settings.start_to_find?
            crawl
          end
        end

        # @return [Core::Settings::Crawl]
        def crawl_settings = @crawl_settings ||= Core::Settings::Crawl.new(settings)

        # @return [Core::Settings::Secrets]
        def secrets = Settings::Secrets.of(site_id, id)

        # @return [Frontier]
        def frontier = @frontier ||= Frontier.new(self)

        # @return [Leases] of its frontier
        def leases = @leases ||= Leases.new(self)

        # @return [Judging::VerdictRun, nil] the newest finished one
        def verdict_run = verdict_runs.where.not(finished_at: nil).order(:finished_at, :id).last

        # @return [Boolean] whether newer verdicts than those that are read were asked for
        def judged_again?
          return false if judging_asked_at.nil? || judging_error

          run = verdict_run
          !run.nil? && judging_asked_at > run.started_at
        end

        # @param sums [Hash{String => Integer}] of the counters
        # @return [String]
        def self.silence(sums)
          what =
            (
              if sums["fetched"].zero?
                "No host of the site gave an answer"
              else
                "#{sums["unanswered"]} of the #{sums["fetched"]} URLs that were asked for gave no answer"
              end
            )
          "#{what}, so this crawl says little of the site; screens stay with the crawl before it."
        end

        def ended? = ENDED.include?(state)

        def whole? = scope == WHOLE

        # @return [Boolean] whether links lead on
        def follow? = whole?

        # @return [Boolean] whether what sitemaps list is fetched
        def follow_sitemaps? = whole? || (asked.nil? && crawl_settings.mode == "sitemaps")

        # @return [Boolean] whether anything is left to be fetched, or is being fetched
        def open?
          states = frontier.open_states
          return true if states[:leased]
          return false if taken >= crawl_settings.limit

          states.values.any? || Sitemaps::SitemapFiles.new(self).open? || Probes.new(self).open?
        end

        # @return [Boolean] whether it ended before it had read all that it knew
        def cut_short? = waiting_by_depth.values.sum.positive?

        # @return [Boolean] whether it looks at pages after their scripts, at all of them or some
        def renders? = crawl_settings.rendering != "raw"

        # @return [Boolean] whether all that will ever be fetched is stored
        def all_stored? = !fetching_ended_at.nil? && !frontier.open_states[:leased]

        # @param urls [Array<String>] in normal form
        # @param now [Time]
        # @return [void]
        def seed(urls, now)
          hosts = Hosts.new(self)
          ids = urls.uniq.to_h { |url| [Core::Url::NormalForm.id(site_id, url), url] }
          Urls.add(site_id, ids, now)
          frontier.add(
            ids.map do |id, url|
              Frontier::Entry.new(
                id: id,
                url: url,
                purpose: :page,
                depth: 0,
                host_id: hosts.id(Core::Url::NormalForm.split(url).authority)
              )
            end
          )
          if asked.nil?
            Sitemaps::SitemapFiles.new(self).add(crawl_settings.sitemaps, found: :settings, parent: nil, hosts: hosts)
          end
          update!(waiting_by_depth: frontier.queue)
        end

        # Lets a crawl begin of which it had to be found out where; the site keeps what was found.
        #
        # @param found [Core::Settings::Crawl]
        # @param now [Time]
        # @return [Boolean] false where it waits no more
        def begin_with(found, now)
          lock!
          return false unless state == WAITING && crawl_settings.start_to_find?

          site.update!(settings: found.to_h) if site.settings == settings
          update!(settings: found.to_h)
          @crawl_settings = nil
          seed(found.first_urls, now)
          true
        end

        # Counts what is left and what is known, when fetching has ended.
        #
        # @return [void]
        def count
          sums = Counters.sums(id)
          silent =
            sums["unanswered"] * 2 > sums["fetched"] ||
            (sums["fetched"].zero? && Robots::RobotsFiles.none_answered?(id))
          update!(
            waiting_by_depth: frontier.queue,
            known_urls: frontier.counts.values.sum,
            unanswered: silent,
            message: silent ? Crawl.silence(sums) : message
          )
        end

        # Moves on to another state, unless someone else has already.
        #
        # @param from [String]
        # @param to [String]
        # @return [Boolean] whether it was this call that moved it
        def advance(from, to, **changes)
          moved = self.class.where(id: id, state: from).update_all(state: to, **changes) == 1
          reload if moved
          moved
        end

        # Drops the crawl with all its facts and verdicts.
        #
        # @return [void]
        def drop
          transaction do
            verdict_runs.each(&:drop)
            Postgres::Partitions.drop(Postgres::Partitions::BY_CRAWL, id)
            Settings::Secrets.where(site_id: site_id, crawl_id: id).delete_all
            self.class.unscoped.where(id: id).delete_all
          end
        end
      end
    end
  end
end
