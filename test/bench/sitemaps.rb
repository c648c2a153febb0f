# frozen_string_literal: true

# Checking a sitemap of 50,000 URLs, as the command does, and writing a set of a million, packed: seconds and the most
# memory of a process of its own.
#
#   ruby test/bench/sitemaps.rb [CHECKED] [WRITTEN]
require_relative "support"
require_relative "../../iron_trellis"
require "tempfile"
require "zlib"

CHECKED = Integer(ARGV[0] || 50_000)
WRITTEN = Integer(ARGV[1] || 1_000_000)
Sitemaps = IronTrellis::Core::Sitemaps

# Seconds and most memory of a child that runs the block.
def alone(&block)
  process = fork(&block)
  most = 0
  seconds = Bench.seconds do
    until Process.wait(process, Process::WNOHANG)
      most = [most, Bench.kilobytes(process)].max
      sleep 0.02
    end
  end
  {seconds: seconds.round(2), megabytes: most / 1024}
end

def listing(number) =
  Sitemaps::Listing.new(
    url: "http://made.example/g#{number % 60}/page-about-lamps-#{number}",
    lastmod: Time.at(1_700_000_000 + number),
    images: ["http://made.example/i/#{number}.png"]
  )

Dir.mktmpdir do |folder|
  file = "#{folder}/checked.xml"
  File.open(file, "w") do |io|
    io << Sitemaps::Xml.head
    CHECKED.times { |number| io << Sitemaps::Xml.entry(listing(number)) }
    io << Sitemaps::Xml.tail
  end
  checks =
    Array.new(3) do
      alone do
        exec(File.join(Bench::ROOT, "bin/trellis"), "sitemap", "check", file, "--json", out: "#{folder}/told.json")
      end
    end
  built = alone do
    writer =
      Sitemaps::Writer.new("http://made.example/", ending: ".xml.gz") do |name|
        name.end_with?(".gz") ? Zlib::GzipWriter.open("#{folder}/#{name}") : File.open("#{folder}/#{name}", "w")
      end
    WRITTEN.times { |number| writer.add(listing(number), part: "g#{number * 60 / WRITTEN}") }
    writer.finish
  end
  Bench.report(
    bench: "sitemaps",
    checked: JSON.parse(File.read("#{folder}/told.json")).fetch("urls"),
    check_seconds: Bench.median(checks.map { |one| one[:seconds] }),
    check_megabytes: checks.map { |one| one[:megabytes] }.max,
    written: WRITTEN,
    files: Dir["#{folder}/*.gz"].size,
    write_seconds: built[:seconds],
    write_megabytes: built[:megabytes]
  )
end
