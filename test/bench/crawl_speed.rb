# frozen_string_literal: true

# Crawl speed against a plain download of the same pages: `wget -r` and `bin/trellis audit`, in turn, on one static site.
# Needs nginx and wget (apt-get install nginx-light wget).
#
#   ruby test/bench/crawl_speed.rb [ROUNDS] [PAGES]
require_relative "support"
require_relative "static_site"

rounds = Integer(ARGV[0] || 5)
pages = Integer(ARGV[1] || 3000)
speeds = Hash.new { |all, name| all[name] = [] }

# It keeps the pages, as we do.
def wget(site, folder)
  FileUtils.mkdir_p(folder)
  Bench.seconds { system("wget", "-q", "-r", "-l", "inf", site.url, chdir: folder) || abort("wget failed") }
ensure
  FileUtils.rm_rf(folder)
end

# The crawl itself, from its first request to its last: what the summary calls seconds.
def audit(site, folder, workers)
  system({"TRELLIS_DATABASE" => "iron_trellis_bench"}, File.join(Bench::ROOT, "bin/trellis"), "audit", site.url, "--out", folder, "--allow-private", "--rate", "0",
    "--concurrency", "16", "--workers", workers.to_s, err: File::NULL) || abort("the audit failed")
  JSON.parse(File.read(File.join(folder, "summary.json"))).values_at("fetched", "seconds")
end

Dir.mktmpdir("bench") do |folder|
  File.chmod(0o755, folder)
  site = Bench::StaticSite.new(folder, pages: pages).start
  rounds.times do |round|
    speeds["wget"] << pages / wget(site, File.join(folder, "wget"))
    [1, 2].each do |workers|
      fetched, seconds = audit(site, File.join(folder, "out"), workers)
      abort("#{fetched} of #{pages} pages were fetched") if fetched < pages
      speeds["workers_#{workers}"] << fetched / seconds
    end
    Bench.say("round #{round + 1}: #{speeds.transform_values { |values| values.last.round }}")
  end
ensure
  site&.stop
end

medians = speeds.transform_values { |values| Bench.median(values) }
Bench.report(bench: "crawl_speed", pages: pages, rounds: rounds, pages_per_second: medians.transform_values(&:round),
  of_wget: medians.except("wget").transform_values { |speed| (speed / medians["wget"]).round(3) })
