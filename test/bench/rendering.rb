# frozen_string_literal: true

# How many pages of the demo site a pool of two browsers renders in a second, and whether it holds more memory after so
# many than after the first ones.
#
#   ruby test/bench/rendering.rb [PAGES]
require_relative "support"
require_relative "../../iron_trellis"
# The server of the tests ends with them.
require "minitest"
require_relative "../support/site_server"

PAGES = Integer(ARGV[0] || 200)
FIRST = 20
Fetch = IronTrellis::Fetch
Core = IronTrellis::Core

server = SiteServer.skerry_whole
urls =
  SkerrySite::Catalogue.new.pages.flat_map { |_, pages| pages.values }
    .select { |page| page.host == SkerrySite::Catalogue::WWW && page.status == 200 }
    .reject { |page| page.body || page.location }
    .map { |page| Core::Url::NormalForm.parse(page.url) }
    .first(PAGES)
settings =
  Core::Settings::Crawl.new(
    "start_urls" => [urls.first.to_s],
    "ignore_robots" => true,
    "resolve" => {"#{SkerrySite::Catalogue::WWW}:80" => "127.0.0.1:#{server.port}"}
  )
way =
  Fetch::Rendering::RequestPolicy.new(
    addresses: Fetch::Http::HostResolver.of(settings),
    profile: Fetch::Http::RequestProfile.of(settings, Core::Settings::Secrets.new({})),
    token: settings.agent,
    ignore_robots: true
  )
pool = Fetch::Rendering::Pool.new(way)

# Both browsers at once.
def render(pool, urls)
  queue = Queue.new(urls).tap(&:close)
  Array.new(Fetch::Rendering::Pool::SIZE) do
    Thread.new do
      failed = 0
      while (url = queue.pop)
        failed += 1 if pool.render(url).error
      end
      failed
    end
  end.sum(&:value)
end

render(pool, urls.first(FIRST))
first = pool.megabytes
failed = nil
seconds = Bench.seconds { failed = render(pool, urls) }
Bench.report(
  bench: "rendering",
  pages: urls.size,
  failed: failed,
  pages_a_second: (urls.size / seconds).round(2),
  megabytes: {after_first: first, after_all: pool.megabytes}
)
pool.close
