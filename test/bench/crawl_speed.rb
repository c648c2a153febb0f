# frozen_string_literal: true

# Crawl speed against a plain download of the same pages: `wget -r` and `bin/trellis audit`, in turn, on a site that is
# made up as it is asked for and on one that lies on disk. On the first, the server takes part of the machine, as it
# does from both. Needs nginx and wget (apt-get install nginx-light wget).
#
#   ruby test/bench/crawl_speed.rb [ROUNDS] [PAGES]
require_relative "support"
require_relative "static_site"
require_relative "generated_site"

ROUNDS = Integer(ARGV[0] || 5)
PAGES = Integer(ARGV[1] || 3000)

# It keeps the pages, as we do.
def wget(site, folder)
  FileUtils.mkdir_p(folder)
  PAGES / Bench.seconds { system("wget", "-q", "-r", "-l", "inf", site.url, chdir: folder) || abort("wget failed") }
ensure
  FileUtils.rm_rf(folder)
end

# The crawl itself, from its first request to its last: what the summary calls seconds.
def audit(site, folder, workers)
  system(
    {"TRELLIS_DATABASE" => "iron_trellis_bench"},
    File.join(Bench::ROOT, "bin/trellis"),
    "audit",
    site.url,
    "--out",
    folder,
    "--allow-private",
    "--rate",
    "0",
    "--concurrency",
    "16",
    "--workers",
    workers.to_s,
    err: File::NULL
  ) || abort("the audit failed")
  fetched, seconds = JSON.parse(File.read(File.join(folder, "summary.json"))).values_at("fetched", "seconds")
  abort("#{fetched} of #{PAGES} pages were fetched") if fetched < PAGES
  fetched / seconds
end

def compare(name, site, folder)
  rounds = Array.new(ROUNDS) do |round|
    speeds = {
      wget: wget(site, File.join(folder, "wget")),
      workers_1: audit(site, File.join(folder, "out"), 1),
      workers_2: audit(site, File.join(folder, "out"), 2)
    }
    Bench.say("#{name}, round #{round + 1}: #{speeds.transform_values(&:round)}")
    speeds
  end
  medians = rounds.first.keys.to_h { |one| [one, Bench.median(rounds.map { |speeds| speeds[one] })] }
  {
    pages_per_second: medians.transform_values(&:round),
    of_wget: medians.except(:wget).transform_values { |speed| (speed / medians[:wget]).round(3) }
  }
end

Dir.mktmpdir("bench") do |folder|
  File.chmod(0o755, folder)
  sites = {generated: Bench::GeneratedSite.new(pages: PAGES), static: Bench::StaticSite.new(folder, pages: PAGES)}
  results = sites.to_h do |name, site|
    site.start
    [name, compare(name, site, folder)]
  ensure
    site.stop
  end
  Bench.report(bench: "crawl_speed", pages: PAGES, rounds: ROUNDS, **results)
end
