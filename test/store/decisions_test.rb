# frozen_string_literal: true

require_relative "../test_helper"

# What was settled, by whom and why, and how it is taken back.
class DecisionsTest < Minitest::Test
  include TestDatabase

  Conflict = IronTrellis::Core::Error::Conflict
  NOON = Time.utc(2026, 11, 2, 12)

  def setup
    super
    settings = IronTrellis::Core::Settings::Crawl.new("start_urls" => ["http://a.test/"])
    @site = IronTrellis::Store::Sites::Site.register(name: "decided #{SecureRandom.hex(6)}", settings: settings)
    @decisions = @site.decisions
  end

  def decide(values, kind: "intent", **more) = @decisions.decide(kind, values, by: "Ines", now: NOON, **more)

  def test_the_newest_for_a_subject_is_in_force_and_all_are_kept
    decide({"*/tags/*" => {"intent" => "keep_out"}}, note: "Excerpts only")
    decide({"*/tags/*" => {"intent" => "index"}, "*/x" => {"intent" => "keep_out"}})
    assert_equal({"*/tags/*" => {"intent" => "index"}, "*/x" => {"intent" => "keep_out"}}, @decisions.values("intent"))
    assert_equal [["*/x", nil], ["*/tags/*", nil], ["*/tags/*", "Excerpts only"]],
      @decisions.recent.map { |one| [one.subject, one.note] }
  end

  def test_what_is_in_force_already_is_not_decided_again
    decide({"*/x" => {"intent" => "index"}})
    assert_empty decide({"*/x" => {"intent" => "index"}})
  end

  def test_nothing_can_be_decided_any_more_and_that_be_taken_back
    decide({"*/x" => {"intent" => "index"}})
    over = decide({"*/x" => nil})
    assert_empty @decisions.values("intent")
    @decisions.undo(over, by: "Tomas", now: NOON)
    assert_equal({"*/x" => {"intent" => "index"}}, @decisions.values("intent"))
    assert_equal "Tomas", @decisions.recent.first.undone_by
  end

  def test_only_the_newest_can_be_undone_and_of_several_all_or_none
    first = decide({"*/x" => {"intent" => "index"}})
    other = decide({"*/y" => {"intent" => "index"}})
    newer = decide({"*/x" => {"intent" => "keep_out"}})
    assert_raises(Conflict) { @decisions.undo(first + other, by: "Ines", now: NOON) }
    assert_equal 2, @decisions.values("intent").size
    @decisions.undo(first + newer, by: "Ines", now: NOON)
    assert_equal({"*/y" => {"intent" => "index"}}, @decisions.values("intent"))
    assert_raises(Conflict) { @decisions.undo(newer, by: "Ines", now: NOON) }
  end

  def test_what_concerns_a_url_is_told_with_its_patterns_and_its_group
    decide(
      {
        "http://a.test/tags/x" => {
          "intent" => "index"
        },
        "/tags/*" => {
          "intent" => "keep_out"
        },
        "/lamps/*" => {
          "intent" => "index"
        }
      }
    )
    decide({"/tags/" => {"intent" => "keep_out"}, "/lamps/" => {"intent" => "index"}}, kind: "group")
    assert_equal %w[/tags/ /tags/* http://a.test/tags/x],
      @decisions.about("http://a.test/tags/x", "/tags/").map(&:subject).sort
  end

  def test_intents_of_the_settings_replace_patterns_and_leave_exceptions
    decide({"http://a.test/tags/x" => {"intent" => "index"}, "/old/*" => {"intent" => "keep_out"}})
    IronTrellis::Work::Intents::UpdateIntents.replace(
      @site,
      intents: [{"pattern" => "/a/*", "intent" => "index"}, {"pattern" => "/*", "intent" => "keep_out"}],
      key_pages: [],
      by: "Ines",
      now: NOON,
      exceptions: true
    )
    assert_equal ["http://a.test/tags/x", "/*", "/a/*"], @decisions.values("intent").keys
    assert_equal %w[index index keep_out],
      %w[http://a.test/tags/x http://a.test/a/1 http://a.test/old/1].map { |url| @site.intent_rules.of(url) }
  end
end
