# frozen_string_literal: true

# A site of a few pages, given as a Hash, that notes who asked it what; and a crawl of it in this process.
class SmallSite
  Request = Struct.new(:verb, :host, :target, :headers, :began, :ended, keyword_init: true)

  attr_reader :requests, :port, :most_at_once

  # @param pages [Hash{String => Object}] by path: HTML, or a whole Rack answer, or a proc of the environment that gives
  #   either
  # @yieldparam path [String] of what isn't among them
  # @yieldreturn [Object, nil] the same as for pages; nil for an answer 404
  def initialize(pages, &further)
    @pages = pages
    @further = further
    @requests = []
    @now = @most_at_once = 0
    @lock = Mutex.new
    @port = SiteServer.new(self).port
  end

  # @param env [Hash] Rack environment
  # @return [Array] Rack response
  def call(env)
    request = note(env)
    status, headers, body = answer(env)
    [status, {"content-length" => body.bytesize.to_s}.merge(headers), (env["REQUEST_METHOD"] == "HEAD") ? [] : [body]]
  ensure
    @lock.synchronize do
      @now -= 1
      request.ended = monotonic
    end
  end

  # Has some pages be otherwise from now on.
  #
  # @param pages [Hash{String => Object}]
  # @return [void]
  def change(pages) = @pages = @pages.merge(pages)

  # @return [Array<String>] what was asked for, but for robots.txt, the probe, and sitemaps at usual addresses that
  #   aren't there
  def targets
    requests.map(&:target).reject do |target|
      target == "/robots.txt" || target.include?("iron-trellis-asks") ||
        (IronTrellis::Core::Sitemaps::Usual::PATHS.include?(target) && !@pages.key?(target))
    end
  end

  private

  def note(env)
    headers =
      env
        .select { |name, _| name.start_with?("HTTP_") }
        .transform_keys { |name| name.delete_prefix("HTTP_").downcase.tr("_", "-") }
    query = env["QUERY_STRING"].to_s
    request =
      Request.new(
        verb: env["REQUEST_METHOD"],
        host: env["HTTP_HOST"],
        target: env["PATH_INFO"] + (query.empty? ? "" : "?#{query}"),
        headers: headers,
        began: monotonic
      )
    @lock.synchronize do
      @requests << request
      @now += 1
      @most_at_once = [@most_at_once, @now].max
    end
    request
  end

  def answer(env)
    path = env["PATH_INFO"]
    page = @pages[path] || @further&.call(path) || [404, {"content-type" => "text/html"}, "<title>Not here</title>"]
    page = page.call(env) if page.respond_to?(:call)
    page.is_a?(String) ? [200, {"content-type" => "text/html"}, page] : page
  end

  def monotonic = Process.clock_gettime(Process::CLOCK_MONOTONIC)
end

# Crawls in the test's own process.
module CrawlHere
  # @param server [SmallSite]
  # @param site [IronTrellis::Store::Site, nil] crawled before; nil for a new one
  # @param settings [Hash] what differs from a quick crawl of its first page
  # @return [IronTrellis::Store::Crawl] judged
  def crawl_here(server, site: nil, secrets: {}, urls: nil, **settings)
    record = site || made_site(server, settings, secrets)
    crawl =
      IronTrellis::Work::Crawling::Runs.start(
        record,
        now: Time.now,
        slots: 1,
        queue: "here-#{SecureRandom.hex(6)}",
        urls: urls
      )
    crawl.advance("waiting", "crawling", started_at: Time.now)
    loop do
      IronTrellis::Work::Crawling::Session.new(crawl, slot: 0, clock: -> { Time.now }).run { false }
      break unless crawl.reload.open? || IronTrellis::Work::Judging::Deepening.new(crawl).call.positive?
    end
    IronTrellis::Work::Judging::Judgement.alone(crawl, clock: -> { Time.now })
    crawl
  end

  # @return [Hash{String => Hash}] rows of the ledger, by what comes after the host
  def rows_of(crawl)
    run = crawl.verdict_run
    IronTrellis::Store::Postgres::Sql
      .rows("SELECT * FROM ledger_rows_#{run.id}")
      .to_h { |row| [row["url"].sub(%r{\Ahttps?://(?:small\.example)?}, ""), row] }
  end

  private

  def made_site(site, settings, secrets)
    values = {
      "start_urls" => ["http://small.example/"],
      "rate" => 0,
      "resolve" => {
        "small.example:80" => "127.0.0.1:#{site.port}"
      }
    }.merge(settings.transform_keys(&:to_s))
    record =
      IronTrellis::Store::Sites::Site.register(
        name: "small #{SecureRandom.hex(6)}",
        settings: IronTrellis::Core::Settings::Crawl.new(values)
      )
    IronTrellis::Store::Settings::Secrets.keep(record.id, nil, IronTrellis::Core::Settings::Secrets.new(secrets))
    record
  end
end
