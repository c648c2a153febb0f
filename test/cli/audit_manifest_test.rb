# frozen_string_literal: true

require_relative "../test_helper"

# The demo site's manifest against what an audit of it finds: every sown fault, nothing else of its code.
class AuditManifestTest < Minitest::Test
  include TestDatabase
  include AuditRun
  extend CrawlHere
  extend AuditRun

  MANIFEST = YAML.safe_load_file(File.expand_path("../../standins/site/manifest.yml", __dir__))

  def self.at_the_stand_in(host, server = SiteServer.skerry) = ["--resolve", "#{host}:80:127.0.0.1:#{server.port}"]

  # What these need changes nothing for the others.
  TOGETHER = %w[ignore_robots check_external].freeze

  def self.options(needs)
    case needs
    when "render"
      # What a browser does with each of three hundred pages takes minutes.
      ["--render", *%w[/guides/* /journal/* /contact].flat_map { |path| ["--include", path] }]
    when *TOGETHER
      [
        "--ignore-robots",
        "--check-external",
        *at_the_stand_in("www.harbour-almanac.example"),
        *at_the_stand_in("www.skerrylamper.example")
      ]
    when "danish_host"
      [
        "--host",
        "www.skerrylamper.example",
        *%w[www.skerrylamper.example skerrylamper.example skerrylamps.example].flat_map { |host| at_the_stand_in(host) }
      ]
    when "shut_host"
      ["http://www.skerrylamps.example/", *at_the_stand_in("bench.skerrylamps.example")]
    when "quay"
      ["--max-depth", "300", *at_the_stand_in("quay.skerrylamps.example")]
    when "archive"
      [
        "--exclude",
        "*/letters/*",
        "--intent",
        "/tags/*=keep_out",
        "--key-page",
        "http://archive.skerrylamps.example/shelf/5",
        *at_the_stand_in("archive.skerrylamps.example")
      ]
    when "kept_out"
      %w[
        /topics/harbour=keep_out
        /stockists/lower-fenwick=keep_out
        /thank-you=keep_out
        /topics/lenses=index
        /topics/workshop=index
      ].flat_map { |intent| ["--intent", intent] }
    when "silent_host"
      %w[--host mole.skerrylamps.example]
    else
      []
    end
  end

  # Some faults are those of a site as a whole, for which another host is audited.
  STARTS = {
    "quay" => "http://quay.skerrylamps.example/",
    "archive" => "http://archive.skerrylamps.example/",
    "shut_host" => "http://bench.skerrylamps.example/"
  }.freeze

  def self.found(needs)
    needs = TOGETHER.first if TOGETHER.include?(needs)
    (@found ||= {})[needs] ||= (needs == "secure") ? found_over_tls : found_by_audit(needs)
  end

  def self.found_by_audit(needs)
    start = STARTS.fetch(needs, "http://www.skerrylamps.example/")
    server = needs ? SiteServer.skerry : SiteServer.skerry_whole
    choose_canonicals("manifest #{needs}") if needs == "kept_out"
    result =
      audit(start, *at_the_stand_in("www.skerrylamps.example", server), *options(needs), "--site", "manifest #{needs}")
    raise result.err unless result.code.zero?

    result.rows("faults").group_by { |fault| fault["code"] }
  end

  # What was decided before stays when a site is audited again.
  def self.choose_canonicals(name)
    IronTrellis::Store::Postgres::Database.prepare
    site =
      IronTrellis::Store::Sites::Site.find_by(name: name) ||
      IronTrellis::Store::Sites::Site.register(
        name: name,
        settings: IronTrellis::Core::Settings::Crawl.new("start_urls" => ["http://www.skerrylamps.example/"])
      )
    chosen = {
      "#{MANIFEST["origin"]}/lamps/masthead/ms-55-copper" => "#{MANIFEST["origin"]}/lamps/masthead/",
      "#{MANIFEST["origin"]}/makers/ines-rasten" => "http://www.harbour-almanac.example/people/rasten"
    }
    site.decisions.decide(
      "canonical",
      chosen.transform_values { |target| {"target" => target} },
      by: "Test",
      now: Time.now
    )
  end

  # The command line has no way to trust an authority of tests, so this one is crawled here.
  def self.found_over_tls
    authority = TestAuthority.new
    hosts = %w[loft.skerrylamps.example pier.skerrylamps.example]
    resolve = hosts.to_h { |host| ["#{host}:80", "127.0.0.1:#{SiteServer.skerry.port}"] }
      .merge(hosts.to_h { |host| ["#{host}:443", "127.0.0.1:#{authority.before(host, SiteServer.skerry.port)}"] })
    crawl =
      crawl_here(
        SmallSite.new({}),
        start_urls: %w[https://loft.skerrylamps.example/ http://pier.skerrylamps.example/],
        resolve: resolve,
        trusted_authority: authority.certificate.to_pem
      )
    IronTrellis::Store::Postgres::Sql
      .rows("SELECT code, url, about FROM faults_#{crawl.verdict_run.id}")
      .group_by { |fault| fault["code"] }
  end

  MANIFEST["faults"].each do |code, entry|
    define_method("test_#{code.tr("-", "_")}_is_told_of_what_was_sown_and_of_nothing_else") do
      found =
        self.class.found(entry["needs"]).fetch(code, []).map { |fault| [path(fault["url"]), path(fault["about"])] }
      also, found = found.partition { |url, _| entry.fetch("also", []).any? { |pattern| File.fnmatch(pattern, url) } }
      assert_equal entry.key?("also"), also.any?
      expected = entry["sown"].map { |one| Array(one) }
      with_about = expected.map { |url, about| about ? [url, about] : [url, found.assoc(url)&.last] }

      assert_equal with_about.sort_by(&:inspect), found.sort_by(&:inspect)
      assert_empty entry["near"] & found.map(&:first)
    end
  end

  def test_every_rule_is_in_the_manifest
    faults = IronTrellis::Core::Faults
    # A crawl can't see what indexes say.
    by_evidence = faults::EvidenceRule.all + faults::GroupRule.all
    assert_equal (faults::Registry.all - by_evidence).map(&:code), MANIFEST["faults"].keys.sort
  end

  private

  def path(url) = url&.delete_prefix(MANIFEST["origin"])
end
