# frozen_string_literal: true

# The same commands of this tree and of an earlier revision of it, in turn, on the same machine and PostgreSQL: how long
# `help`, the audit of one page, the audit of the demo's site and that of a site of static files take, and the last's
# speed beside `wget -r`; then judging a crawl that is written straight into the tables. Needs nginx and wget.
#
#   ruby test/bench/before_and_after.rb REVISION [ROUNDS] [PAGES] [JUDGED]
require_relative "support"
require_relative "static_site"

REVISION = ARGV.fetch(0)
ROUNDS = Integer(ARGV[1] || 3)
PAGES = Integer(ARGV[2] || 3000)
JUDGED = Integer(ARGV[3] || 30_000)

# One revision, with a database of its own.
class Tree
  def initialize(name, folder)
    @folder = folder
    address = `#{Bench::ROOT}/bin/postgres url iron_trellis_bench_#{name}`.strip
    @env = {"DATABASE_URL" => address, "BUNDLE_GEMFILE" => File.join(folder, "Gemfile"), "RUBYOPT" => nil,
            "BUNDLE_PATH" => File.join(folder, "vendor/bundle")}
  end

  def self.earlier(revision, folder)
    system("git", "clone", "-q", Bench::ROOT, folder) && system("git", "-C", folder, "checkout", "-q", revision) ||
      abort("no such revision")
    FileUtils.cp_r(File.join(Bench::ROOT, "vendor"), folder)
    new("before", folder).tap { |tree| tree.run("bundle", "install", "--quiet") }
  end

  def run(*command) = system(@env, *command, chdir: @folder, out: File::NULL, err: File::NULL)

  def help = Bench.seconds { run("bin/trellis", "help") }

  # @return [Array(Float, Hash)] how long it took in all, and its summary
  def audit(url, *options)
    Dir.mktmpdir("audit") do |out|
      seconds = Bench.seconds { run("bin/trellis", "audit", url, "--out", out, "--allow-private", *options) }
      [seconds, JSON.parse(File.read(File.join(out, "summary.json")))]
    end
  end

  def judging
    line = IO.popen(@env, ["ruby", "test/bench/judging.rb", JUDGED.to_s], chdir: @folder, err: File::NULL, &:read)
    JSON.parse(line.lines.last)
  end
end

def served(folder, env = {})
  port = Bench.free_port
  pid = spawn(env, "bundle", "exec", "puma", "--quiet", "--bind", "tcp://127.0.0.1:#{port}", folder,
    chdir: Bench::ROOT, out: File::NULL, err: File::NULL)
  sleep 0.1 until Bench.answers?(port)
  yield port
ensure
  Process.kill("TERM", pid)
  Process.wait(pid)
end

def wget(site, folder)
  FileUtils.mkdir_p(folder)
  PAGES / Bench.seconds { system("wget", "-q", "-r", "-l", "inf", site.url, chdir: folder) }
ensure
  FileUtils.rm_rf(folder)
end

FAST = %w[--rate 0 --concurrency 16].freeze

Dir.mktmpdir("bench") do |folder|
  File.chmod(0o755, folder)
  trees = {before: Tree.earlier(REVISION, File.join(folder, "before")), now: Tree.new("now", Bench::ROOT)}
  page = File.join(folder, "page.ru")
  File.write(page, "run ->(_) { [200, {\"content-type\" => \"text/html\"}, [\"<title>One</title><p>One page.\"]] }")
  static = Bench::StaticSite.new(folder, pages: PAGES)
  figures = Hash.new { |hash, name| hash[name] = Hash.new { |inner, what| inner[what] = [] } }
  static.start
  served(page) do |one|
    served(File.join(Bench::ROOT, "standins/site/config.ru")) do |demo|
      ROUNDS.times do |round|
        download = wget(static, File.join(folder, "wget"))
        trees.each do |name, tree|
          told = figures[name]
          told[:help] << tree.help
          told[:one_page] << tree.audit("http://127.0.0.1:#{one}/").first
          told[:demo] << tree.audit("http://www.skerrylamps.example/", *FAST, "--workers", "2", "--resolve",
            "www.skerrylamps.example:80:127.0.0.1:#{demo}").first
          {"1" => :of_wget_1, "2" => :of_wget_2}.each do |workers, what|
            whole, summary = tree.audit(static.url, *FAST, "--workers", workers)
            told[what] << summary["fetched"] / summary["seconds"] / download
            told[:after_fetching] << whole - summary["seconds"] if workers == "2"
          end
          Bench.say("round #{round + 1}, #{name}: #{told.transform_values { |all| all.last.round(2) }}")
        end
      end
    end
  end
  static.stop
  medians = figures.transform_values { |told| told.transform_values { |all| Bench.median(all).round(2) } }
  trees.each do |name, tree|
    medians[name][:judging] = tree.judging.slice("pages", "seconds", "megabytes")
  end
  Bench.report(bench: "before_and_after", revision: REVISION, rounds: ROUNDS, pages: PAGES, **medians)
end
