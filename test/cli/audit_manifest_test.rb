# frozen_string_literal: true

require_relative "../test_helper"

# The demo site's manifest against what an audit of it finds: every sown fault, nothing else of its code.
class AuditManifestTest < Minitest::Test
  include TestDatabase
  include AuditRun
  extend AuditRun

  MANIFEST = YAML.safe_load_file(File.expand_path("../../standins/site/manifest.yml", __dir__))

  def self.at_the_stand_in(host) = ["--resolve", "#{host}:80:127.0.0.1:#{SiteServer.skerry.port}"]

  def self.options(needs)
    case needs
    when "ignore_robots" then ["--ignore-robots"]
    when "check_external" then ["--check-external", *at_the_stand_in("www.harbour-almanac.example"), *at_the_stand_in("www.skerrylamper.example")]
    when "danish_host" then ["--host", "www.skerrylamper.example", *at_the_stand_in("www.skerrylamper.example")]
    when "kept_out" then %w[/topics/harbour=keep_out /stockists/lower-fenwick=keep_out /thank-you=keep_out /topics/lenses=index].flat_map { |intent| ["--intent", intent] }
    when "silent_host" then ["--host", "mole.skerrylamps.example"]
    else []
    end
  end

  def self.found(needs)
    @found ||= {}
    @found[needs] ||= begin
      result = audit_skerry(*options(needs), "--site", "manifest #{needs}")
      raise result.err unless result.code.zero?

      result.rows("faults").group_by { |fault| fault["code"] }
    end
  end

  MANIFEST["faults"].each do |code, entry|
    define_method("test_#{code.tr("-", "_")}_is_told_of_what_was_sown_and_of_nothing_else") do
      found = self.class.found(entry["needs"]).fetch(code, []).map { |fault| [path(fault["url"]), path(fault["about"])] }
      expected = entry["sown"].map { |one| Array(one) }
      with_about = expected.map { |url, about| about ? [url, about] : [url, found.assoc(url)&.last] }

      assert_equal with_about.sort_by(&:inspect), found.sort_by(&:inspect)
      assert_empty entry["near"] & found.map(&:first)
    end
  end

  def test_every_rule_is_in_the_manifest
    assert_equal IronTrellis::Core::Faults::Registry.all.map(&:code), MANIFEST["faults"].keys.sort
  end

  private

  def path(url) = url&.delete_prefix(MANIFEST["origin"])
end
