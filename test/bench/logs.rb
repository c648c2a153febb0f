# frozen_string_literal: true

# Reading an access log of so many lines, of 5,000 addresses and a month, a tenth of it by crawlers: the command
# `evidence logs` on one gzipped file, with the seconds it takes and the most memory it has.
#
#   ruby test/bench/logs.rb [LINES]
require "zlib"
require_relative "support"

ENV["TRELLIS_DATABASE"] = "iron_trellis_bench"
require_relative "../../iron_trellis"

LINES = Integer(ARGV[0] || 10_000_000)
ADDRESSES = 5_000
MINUTES = 30 * 24 * 60
CRAWLER = "Mozilla/5.0 (compatible; Gazetteerbot/1.0; +http://gazetteer.example/bot)"
READER = "Mozilla/5.0 (X11; Linux x86_64)"

def line(number)
  time = Time.utc(2026, 10, 1) + (number * MINUTES / LINES * 60)
  %(192.0.2.#{number % 250} - - [#{time.strftime("%d/%b/%Y:%H:%M:%S +0000")}] "GET /p/#{number * 7919 % ADDRESSES} ) +
    %(HTTP/1.1" #{(number % 50).zero? ? 404 : 200} #{number % 90_000} "-" "#{(number % 10).zero? ? CRAWLER : READER}"\n)
end

def log(path)
  Zlib::GzipWriter.open(path, Zlib::BEST_SPEED) { |file| LINES.times { |number| file.write(line(number)) } }
end

# The most that the process and its children have at once, in megabytes, looked at four times a second.
def watched(command)
  pid = Process.spawn(*command, out: File::NULL)
  most = 0
  until Process.wait(pid, Process::WNOHANG)
    most = [most, Bench.kilobytes(pid)].max
    sleep(0.25)
  end
  [most / 1024, $?.success?]
end

IronTrellis::Store::Postgres::Database.prepare
settings = IronTrellis::Core::Settings::Crawl.new("start_urls" => ["http://made.example/"])
site = IronTrellis::Store::Sites::Site.register(name: "logs of the bench #{Process.pid}", settings: settings)
Dir.mktmpdir do |folder|
  path = File.join(folder, "access.log.gz")
  Bench.say("writing #{LINES} lines …")
  log(path)
  most = good = nil
  command = [File.join(Bench::ROOT, "bin/trellis"), "evidence", "logs", path, "--site", site.name, "--json"]
  seconds = Bench.seconds { most, good = watched(command) }
  raise "the command failed" unless good

  Bench.report(
    bench: "logs",
    lines: LINES,
    seconds: seconds.round(1),
    lines_a_second: (LINES / seconds).round,
    megabytes: most
  )
end
site.drop
