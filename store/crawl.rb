# frozen_string_literal: true

module IronTrellis
  module Store
    # One crawl of a site: what it was told, how far it is, and where its facts lie.
    class Crawl < Record
      self.table_name = "crawls"

      WAITING = "waiting"
      CRAWLING = "crawling"
      JUDGING = "judging"
      FINISHED = "finished"
      FAILED = "failed"
      ENDED = [FINISHED, FAILED].freeze

      belongs_to :site, class_name: "IronTrellis::Store::Site"
      has_many :verdict_runs, class_name: "IronTrellis::Store::VerdictRun"

      # Makes a crawl with its partitions and its start URLs.
      #
      # @param site [Site]
      # @param now [Time]
      # @param slots [Integer] how many workers share it
      # @param queue [String] the queue its jobs go to
      # @return [Crawl]
      def self.begin(site, now:, slots: 1, queue: "crawl")
        transaction do
          site.lock!
          crawl = create!(site: site, number: site.crawls.maximum(:number).to_i + 1, state: WAITING, queue: queue,
            settings: site.crawl_settings.to_h, slots: slots, created_at: now)
          Partitions.make(Partitions::BY_CRAWL, crawl.id)
          crawl.seed(now)
          crawl
        end
      end

      # @return [Core::Settings::Crawl]
      def crawl_settings = @crawl_settings ||= Core::Settings::Crawl.new(settings)

      # @return [Frontier]
      def frontier = @frontier ||= Frontier.new(self)

      # @return [VerdictRun, nil] the newest finished one
      def verdict_run = verdict_runs.where.not(finished_at: nil).order(:finished_at, :id).last

      def ended? = ENDED.include?(state)

      # @param now [Time]
      # @return [void]
      def seed(now)
        urls = crawl_settings.start_urls
        ids = urls.map { |url| Core::Url::NormalForm.id(site_id, url) }
        Urls.add(site_id, ids.zip(urls).to_h, now)
        frontier.add(ids.zip(urls).map { |id, url| [id, url, :page, 0, :waiting] })
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
          Partitions.drop(Partitions::BY_CRAWL, id)
          destroy!
        end
      end
    end
  end
end
