# frozen_string_literal: true

require "yaml"
require_relative "../test_helper"
require_relative "../support/database"
require_relative "../support/site_server"
require_relative "../../standins/index/application"

# The demo as it is built, against the manifest of the index stand-in: each rule of evidence speaks where it must and is
# silent beside it, and each class of what was left out has what belongs there.
class DemoEvidenceTest < Minitest::Test
  include TestDatabase

  Store = IronTrellis::Store
  MANIFEST = YAML.safe_load_file(File.expand_path("../../standins/index/manifest.yml", __dir__))
  # Half as long as the demo's, so that tests end sooner: the record still reaches back over the middle window.
  DAYS = 240
  SETTINGS = {
    "seed" => 7,
    "hosts" => %w[www.skerrylamps.example skerrylamps.example www.skerrylamper.example],
    "first_day" => (Date.today - DAYS).iso8601
  }.freeze

  def self.site = @site ||= build

  def self.build
    SiteServer.skerry
    site = SiteServer.new(SkerrySite::Application.new(chapters: true)).port
    index =
      Gazetteer::Application.new(
        SETTINGS.merge(
          "lenient_from" => (Date.today - Gazetteer::Index::LENIENT_DAYS).iso8601,
          "address" => "127.0.0.1:#{site}"
        )
      )
    IronTrellis::Work::Demo.new(site_port: site, index_port: SiteServer.new(index).port, rate: 0, days: DAYS).build
    Store::Sites::Site.find_by(name: IronTrellis::Work::DemoSite::NAME)
  end

  def run_of = self.class.site.newest_crawl.verdict_run

  MANIFEST["faults"].each do |code, cases|
    define_method("test_#{code.tr("-", "_")}_is_told_where_it_was_sown_and_not_beside") do
      found = told(code)
      assert_empty cases.fetch("sown", []).reject { |one| among?(found, one) }, "of #{found.size}: #{found.first(20)}"
      assert_empty cases["near"].select { |one| among?(found, one) }
      assert_operator found.size, :>=, cases.fetch("some", 1)
    end
  end

  def test_every_rule_of_evidence_is_in_the_manifest
    rules = IronTrellis::Core::Faults::Registry.all.select { |rule| rule <= IronTrellis::Core::Faults::EvidenceRule }
    assert_empty rules.map { |rule| rule::CODE } - MANIFEST["faults"].keys
  end

  def test_each_class_of_what_was_left_out_has_what_belongs_there
    index = Store::Evidence::Index.first_of(self.class.site)
    sorted = IronTrellis::Work::Triage::SortingOut.new(self.class.site, index, clock: -> { Time.now }).call(fetch: true)
    classes = sorted.to_h { |one| [one.page.url, one.kind] }
    expected =
      MANIFEST["triage"].flat_map { |name, paths| paths.map { |path| ["#{MANIFEST["origin"]}#{path}", name] } }.to_h
    assert_equal expected, classes.slice(*expected.keys)
    assert_equal IronTrellis::Core::Triage::Classes::ALL.keys.sort, MANIFEST["triage"].keys.sort
  end

  private

  def told(code) =
    Store::Postgres::Sql
      .rows("SELECT url, about FROM faults_#{run_of.id} WHERE code = $1 ORDER BY url", [code])
      .map(&:values)

  # Where the manifest names nothing that it is about, that doesn't matter.
  def among?(found, one)
    url, about = one
    address = url && "#{MANIFEST["origin"]}#{url}"
    found.any? { |of, what| of == address && (about.nil? || about == what) }
  end
end
