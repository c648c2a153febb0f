# frozen_string_literal: true

require_relative "../test_helper"

# Every command as people start it: in a process of its own, with each of its options and with wrong values, in a
# terminal that knows no letters but those of ASCII.
class EveryCommandTest < Minitest::Test
  include AuditRun

  COMMANDS = {"" => IronTrellis::Cli::Root}.merge(IronTrellis::Cli::Root.subcommand_classes).freeze
  SITE = "Små lygter"
  WORDS = ->(seed) { Array.new(90) { |place| "ord#{seed * (place + 3) % 97}" }.join(" ") }
  PAGE = ->(title, text, head = "") {
    "<html lang=da><head><title>#{title}</title>#{head}</head><body><nav><a href=/>Hjem</a> <a href=/a>A</a> " \
      "<a href=/b>B</a></nav><main><h1>#{title}</h1><p>#{text}</p></main></body></html>"
  }
  PAGES = {
    "/" => PAGE.call("Hjem", "#{WORDS.call(2)} <a href=/væk>væk</a> <a href=/gammel>gammel</a>"),
    "/a" => PAGE.call("Rød lampe", WORDS.call(5)),
    "/b" => PAGE.call("Grøn lampe", WORDS.call(7), "<meta name=robots content=noindex>"),
    "/gammel" => [302, {"location" => "/a"}, ""],
    "/robots.txt" => [200, {"content-type" => "text/plain"}, "User-agent: *\nDisallow: /lukket\n"]
  }.freeze
  LOG = "192.0.2.1 - - [28/Nov/2026:10:00:00 +0000] \"GET /a HTTP/1.1\" 200 5 \"-\" \"prøvebot \xE9\"\n\xFF\xFE\n".b
  FILES = {
    "robots.txt" => "User-agent: *\nDisallow: /caf\xE9\n",
    "urls.txt" => "/caf%E9\n/x\xFF\n",
    "sitemap.xml" =>
      "<urlset xmlns='http://www.sitemaps.org/schemas/sitemap/0.9'><url><loc>http://a.test/</loc></url></urlset>",
    "sets.csv" => "url,hreflang,target\nhttp://a.test/\xE9,en,http://a.test/\xE9\n",
    "map.csv" => "from,to,status\nhttp://a.test/caf\xE9,http://a.test/b,301\n",
    "groups.json" => '[{"name": "Alle", "patterns": ["/*"], "intent": "index"}]',
    "plan.json" =>
      "{\"start\":\"2027-01-04\",\"owners\":[{\"name\":\"Åsa\"}],\"fixes\":[{\"id\":\"x\",\"benefit\":1,\"hours\":2}]}",
    "cycle.json" =>
      "{\"start\":\"2027-01-04\",\"owners\":[{\"name\":\"Åsa\"}]," \
      "\"fixes\":[{\"id\":\"x\",\"benefit\":1,\"hours\":2,\"after\":[\"x\"]}]}",
    "page.html" => "<html lang=da><title>Rød lampe</title><body><h1>Rød lampe</h1><p>En rød lampe til broen.",
    "rival.html" => "<html lang=da><title>Lamper</title><body><h1>Lamper</h1><p>Den røde lampe på broen.",
    "standings.csv" => "adresse;tilstand;set\nhttp://small.example/a;uden for;2026-11-01\n",
    "pages.csv" => "url,clicks,impressions,position,date\nhttp://small.example/a,5,90,9.5,2026-11-20\n",
    "list.csv" => "adresse;note\nhttp://small.example/A;caf\xE9\n",
    "log.txt" => LOG,
    "binary.png" => "\x89PNG\r\n\x1A\n\0\0\xFF"
  }.transform_values(&:b).freeze
  IMPORT = ["evidence", "import", "--site", SITE].freeze
  ON_SITE = ["--site", SITE].freeze
  AUDIT = ["audit", "http://small.example/", "--out", "again", "--site", "Prøve"].freeze

  # By name: arguments, exit code, and what standard output holds (:json one value, :lines a JSON value a line).
  GOOD = [
    [%w[robots robots.txt --agent prove --urls urls.txt], :lines],
    [%w[robots robots.txt --agent prove --urls -], :lines],
    [%w[sitemap check sitemap.xml --json --location http://a.test/sitemap.xml], :json],
    [%w[sitemap check sitemap.xml]],
    [%w[hreflang check sets.csv --json], :json],
    [%w[routes check map.csv --json], :json],
    [%w[routes export map.csv --format apache]],
    [%w[routes export map.csv --format nginx]],
    [%w[routes export map.csv --format csv]],
    [%w[routes export map.csv --format json], :json],
    [["routes", "export", *ON_SITE, "--format", "json"], :json],
    [%w[plan plan.json --seconds 0.1], :json],
    [["terms", "page.html", "--rival", "rival.html", "--phrase", "rød lampe", "--phrase", "灯台", "--json"], :json],
    [["terms", "page.html", "--phrase", "lampe på broen"]],
    [%w[render http://SMALL/a --allow-private --agent visitor --width 390 --ignore-robots --out rendered]],
    [%w[render http://small.example/a --allow-private --resolve small.example:80:SMALL --out rendered2]],
    [%w[terms http://small.example/a --resolve small.example:80:SMALL --allow-private --ignore-robots --speed
      --json], :json],
    [[*AUDIT, "--resolve", "small.example:80:SMALL", "--host", "www.small.example", "--limit", "20", "--max-depth", "4",
      "--rate", "0", "--concurrency", "4", "--workers", "1", "--exclude", "/lukket*", "--include", "http*",
      "--agent", "prove", "--ignore-robots", "--render", "--key-page", "http://small.example/a", "--intent",
      "*/b=index", "--check-external", "--allow-private", "--fail-on", "stops"], nil, 1],
    [[*IMPORT, "standings.csv", "--kind", "standings", "--index", "Nord", "--date", "2026-11-30", "--column",
      "url=adresse", "--column", "standing=tilstand", "--column", "first_seen=set", "--value", "passed_over=uden for",
      "--whole", "--json"], :json],
    [[*IMPORT, "pages.csv", "--kind", "pages", "--index", "Nord", "--sample", "--json"], :json],
    [["evidence", "logs", "log.txt", *ON_SITE, "--verified", "prøvebot=192.0.2.0/24", "--json"], :json],
    [["list", "list.csv", *ON_SITE, "--column", "url=adresse", "--no-fetch", "--out", "list.xlsx"]],
    [["list", "list.csv", *ON_SITE, "--column", "url=adresse", "--out", "out.csv"]],
    [["triage", *ON_SITE, "--index", "Nord", "--out", "triage.jsonl"]],
    [["triage", *ON_SITE, "--index", "Nord", "--no-fetch", "--out", "triage.jsonl"]],
    [["export", *ON_SITE, "--what", "urls", "--format", "jsonl", "--crawl", "1", "--out", "urls.jsonl"]],
    [["export", *ON_SITE, "--what", "links", "--format", "xlsx", "--out", "links.xlsx"]],
    [["export", *ON_SITE, "--what", "faults", "--out", "faults.csv"]],
    [["export", *ON_SITE, "--what", "fixes", "--format", "csv", "--out", "fixes.csv"]],
    [["sitemap", "build", *ON_SITE, "--out", "built"]],
    [["groups", *ON_SITE, "--propose", "--json"], :json],
    [["groups", *ON_SITE, "--export", "told.json"]],
    [["groups", *ON_SITE, "--import", "groups.json", "--json"], :json],
    [["groups", *ON_SITE, "--take"]],
    [["fixes", *ON_SITE, "--state", "open", "--state", "claimed", "--out", "fixes.jsonl"]],
    [["schedule", *ON_SITE, "--start", "2027-01-04", "--owner", "Åsa=6", "--owner", "Bo Bo=4.5"], :json],
    [["schedule", *ON_SITE, "--start", "2027-01-04", "--owner", "Åsa=6:developer,editor", "--out", "plan.ics"]],
    [["claim", *ON_SITE, "F1", "f2"]],
    [["prove", *ON_SITE, "--json"], :json],
    [["prove", *ON_SITE, "F1", "F2"]],
    [["report", *ON_SITE, "--from", "1", "--out", "report.html"]],
    [["report", *ON_SITE, "--out", "report.xlsx"]],
    [["report", *ON_SITE, "--out", "report.pdf"]]
  ].map { |arguments, kind, code| [arguments, kind, code || 0] }.freeze

  # Arguments, exit code, and what standard error says.
  BAD = [
    [%w[nothing], 2, /nothing/],
    [%w[tree], 2, /tree/],
    [%w[robots robots.txt --agent no\ token], 2, /--agent no token/],
    [%w[robots not-there.txt --agent prove --urls urls.txt], 3, /not-there\.txt/],
    [%w[robots robots.txt --agent prove --urls not-there.txt], 3, /not-there\.txt/],
    [%w[sitemap check not-there.xml], 3, /not-there\.xml/],
    [%w[sitemap check sitemap.xml --location nowhere], 2, /nowhere/],
    [%w[hreflang check map.csv], 2, /url, hreflang, target/],
    [%w[routes check sets.csv], 2, /from, to, status/],
    [%w[routes export map.csv --format sheet], 2, /sheet/],
    [%w[routes export --format json], 2, /Give a file/],
    [%w[plan cycle.json], 2, /circle/],
    [%w[plan sets.csv], 2, /no JSON/],
    [%w[plan plan.json --seconds -1], 2, /--seconds/],
    [%w[plan plan.json --seconds soon], 2, /--seconds/],
    [%w[terms not-there.html], 3, /not-there\.html/],
    [%w[terms binary.png], 2, /PNG/],
    [%w[terms page.html --rival not-there.html], 3, /not-there\.html/],
    [%w[terms http://SMALL/a], 3, /private address/],
    [%w[terms page.html --resolve nowhere], 2, /--resolve nowhere/],
    [%w[render http://SMALL/a --out rendered], 3, /private address/],
    [%w[render nowhere --out rendered], 2, /nowhere/],
    [%w[render http://SMALL/a --allow-private --width 5 --out rendered], 2, /--width 5/],
    [%w[render http://SMALL/a --allow-private --agent robot --out rendered], 2, /robot/],
    [%w[render http://SMALL/a --resolve x --out rendered], 2, /--resolve x/],
    [["audit", "--out", "again"], 2, /start URL/],
    [[*AUDIT.take(2)], 2, /--out/],
    [["audit", "ftp://a.test/", "--out", "again"], 2, /ftp/],
    [[*AUDIT, "--workers", "1.5"], 2, /--workers/],
    [[*AUDIT, "--workers", "99"], 2, /--workers/],
    [[*AUDIT, "--limit", "1.5"], 2, /limit/],
    [[*AUDIT, "--max-depth", "-1"], 2, /depth/],
    [[*AUDIT, "--rate", "-1"], 2, /second/],
    [[*AUDIT, "--concurrency", "0"], 2, /at once/],
    [[*AUDIT, "--exclude", "/[/"], 2, /pattern/],
    [[*AUDIT, "--include", "/(/"], 2, /pattern/],
    [[*AUDIT, "--agent", "no token"], 2, /token/],
    [[*AUDIT, "--host", "no host"], 2, /no host/],
    [[*AUDIT, "--resolve", "nowhere"], 2, /--resolve/],
    [[*AUDIT, "--key-page", "nowhere"], 2, /nowhere/],
    [[*AUDIT, "--intent", "/x=maybe"], 2, /--intent/],
    [[*AUDIT, "--fail-on", "nothing"], 2, /--fail-on/],
    [[*AUDIT, "--bogus"], 2, /--bogus/],
    [[*IMPORT, "standings.csv", "--kind", "nothing"], 2, /--kind/],
    [[*IMPORT, "pages.csv", "--kind", "standings", "--index", "Syd"], 2, /standing/],
    [[*IMPORT, "pages.csv", "--kind", "pages", "--sample", "--whole"], 2, /whole/],
    [[*IMPORT, "pages.csv", "--kind", "pages", "--date", "30.11.2026"], 2, /date/],
    [[*IMPORT, "pages.csv", "--kind", "pages", "--date", "2999-01-01"], 2, /after today/],
    [[*IMPORT, "pages.csv", "--kind", "pages", "--column", "url"], 2, /FIELD=HEADING/],
    [[*IMPORT, "pages.csv", "--kind", "standings", "--value", "lost=x"], 2, /lost/],
    [[*IMPORT, "not-there.csv", "--kind", "pages"], 3, /not-there/],
    [["evidence", "import", "pages.csv", "--site", "nobody", "--kind", "pages"], 3, /nobody/],
    [["evidence", "logs", *ON_SITE], 2, /log file/],
    [["evidence", "logs", "log.txt", *ON_SITE, "--verified", "prøvebot=here"], 2, /AGENT=CIDR/],
    [["list", "list.csv", *ON_SITE, "--out", "out.csv"], 2, /adresse/],
    [["list", "list.csv", *ON_SITE, "--column", "adresse", "--out", "out.csv"], 2, /url=HEADING/],
    [["list", "list.csv", *ON_SITE, "--column", "url=adresse", "--out", "out.doc"], 2, /doc/],
    [["list", "list.csv", *ON_SITE, "--column", "url=adresse", "--no-fetch", "--out", "no/out.csv"], 3, /no such file/],
    [["triage", *ON_SITE, "--index", "Syd", "--out", "triage.jsonl"], 2, /Syd/],
    [["export", *ON_SITE, "--what", "nothing", "--out", "x"], 2, /--what/],
    [["export", *ON_SITE, "--what", "urls", "--format", "doc", "--out", "x"], 2, /--format/],
    [["export", *ON_SITE, "--what", "urls", "--crawl", "99", "--out", "x"], 3, /99/],
    [["export", *ON_SITE, "--what", "urls", "--crawl", "1.5", "--out", "x"], 2, /whole number/],
    [["sitemap", "build", "--site", "nobody", "--out", "built"], 3, /nobody/],
    [["fixes", *ON_SITE, "--state", "nothing", "--out", "x"], 2, /nothing/],
    [["groups", *ON_SITE, "--import", "not-there.json"], 3, /not-there\.json/],
    [["groups", *ON_SITE, "--import", "plan.json"], 2, /list of groups/],
    [["groups", *ON_SITE, "--import", "map.csv"], 2, /list of groups/],
    [["groups", "--site", "Nowhere"], 3, /Nowhere/],
    [["schedule", *ON_SITE, "--start", "4.1.2027"], 2, /--start/],
    [["schedule", *ON_SITE, "--start", "2027-01-04", "--owner", "Åsa=many"], 2, /--owner/],
    [["schedule", *ON_SITE, "--start", "2027-01-04", "--owner", "Åsa=25"], 2, /hours/],
    [["schedule", *ON_SITE, "--start", "2027-01-04", "--owner", "Åsa=6:boss"], 2, /role/],
    [["schedule", *ON_SITE, "--start", "2027-01-04", "--out", "plan.doc"], 2, /plan\.doc/],
    [["claim", *ON_SITE], 2, /F12/],
    [["claim", *ON_SITE, "F1", "F999"], 2, /F999/],
    [["prove", *ON_SITE, "nothing"], 2, /nothing/],
    [["report", *ON_SITE, "--from", "99", "--out", "report.html"], 2, /99/],
    [["report", *ON_SITE, "--from", "1.5", "--out", "report.html"], 2, /whole number/],
    [["report", *ON_SITE, "--out", "report.doc"], 2, /doc/]
  ].freeze

  # A folder with the files, and a site that was audited, once.
  def self.ready
    @ready ||= begin
      server = SmallSite.new(PAGES)
      folder = Dir.mktmpdir("commands")
      Minitest.after_run { FileUtils.rm_rf(folder) }
      FILES.each { |name, bytes| File.binwrite(File.join(folder, name), bytes) }
      TestDatabase.ready
      new("ready").prepare(folder, "127.0.0.1:#{server.port}")
      [folder, "127.0.0.1:#{server.port}"]
    end
  end

  def prepare(folder, address)
    done = started(folder, "audit", "http://small.example/", "--out", "first", "--site", SITE, "--allow-private",
      "--rate", "0", "--resolve", "small.example:80:#{address}")
    raise done.err unless done.code.zero?

    done = started(folder, *IMPORT, "standings.csv", "--kind", "standings", "--index", "Nord", "--column",
      "url=adresse", "--column", "standing=tilstand", "--value", "passed_over=uden for")
    raise done.err unless done.code.zero?

    done = started(folder, "schedule", *ON_SITE, "--start", "2027-01-04", "--owner", "Åsa=6")
    raise done.err unless done.code.zero?
  end

  GOOD.each do |arguments, kind, code|
    define_method("test_trellis_#{arguments.join("_")}") do
      result = run_in_folder(arguments)
      assert_equal [code, ""], [result.code, traces(result.err)], result.err
      JSON.parse(result.out) if kind == :json
      result.out.each_line { |line| JSON.parse(line) } if kind == :lines
      refute_empty result.out if kind
    end
  end

  BAD.each do |arguments, code, told|
    define_method("test_trellis_refuses_#{arguments.join("_")}") do
      result = run_in_folder(arguments)
      assert_equal [code, ""], [result.code, traces(result.err)], result.err
      assert_match told, result.err
    end
  end

  def test_help_is_printed_at_every_command
    COMMANDS.each do |group, commands|
      [nil, *(commands.all_commands.keys - %w[help])].each do |name|
        %w[--help -h].each do |sign|
          result = run_in_folder([group, name, sign].reject { |word| word.to_s.empty? })
          assert_equal [0, ""], [result.code, result.err], [group, name, sign]
          assert_match(/Commands:|Usage:/, result.out)
        end
      end
    end
  end

  def test_an_option_that_wants_a_value_refuses_without_it
    each_option do |words, option|
      next if option.boolean?

      result = run_in_folder([*words, "file", option.switch_name])
      assert_equal 2, result.code, [words, option.switch_name]
      assert_match(/#{option.switch_name} needs a value/, result.err)
    end
    empty = run_in_folder(%w[terms page.html --phrase=])
    assert_equal [2, "--phrase needs a value: TEXT\n"], [empty.code, empty.err]
  end

  # The table above is whole: each option is used in it, and each that has values with one that can't be.
  def test_each_option_is_tried
    each_option do |words, option|
      next if option.name == "debug"

      used = ->(lines) do
        lines.any? { |line, *| starts?(line, words) && line.intersect?([option.switch_name, "--no-#{option.name}"]) }
      end
      assert used.call(GOOD), "#{words.join(" ")} #{option.switch_name} is used nowhere"
      free = option.boolean? || %w[phrase urls out export index site].include?(option.name)
      assert free || used.call(BAD), "#{words.join(" ")} #{option.switch_name} is never wrong"
    end
  end

  private

  def each_option
    COMMANDS.each do |group, commands|
      commands.all_commands.each do |name, command|
        next if name == "help" || COMMANDS.key?(name)

        command.options.each_value { |option| yield [group, name].reject(&:empty?), option }
      end
    end
  end

  def starts?(line, words) = line.take(words.size) == words

  def run_in_folder(arguments)
    folder, address = self.class.ready
    started(folder, *arguments.map { |word| word.gsub("SMALL", address) })
  end

  def started(folder, *arguments)
    environment = ENVIRONMENT.merge("LC_ALL" => "C", "LANG" => "C")
    out, err, status =
      Open3.capture3(environment, File.join(ROOT, "bin/trellis"), *arguments, chdir: folder, stdin_data: "/x\n")
    AuditRun::Result.new(code: status.exitstatus, out: out.force_encoding("UTF-8"), err: err.force_encoding("UTF-8"))
  end

  def traces(err) = err[/^\s*from .*|\S+\.rb:\d+.*/].to_s
end
