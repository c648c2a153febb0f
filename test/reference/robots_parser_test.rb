# frozen_string_literal: true

require_relative "../test_helper"
require "open3"

# Source: npm's robots-parser, another reader of RFC 9309, on files and addresses made up by a fixed seed. Where the two
# differ, the case must be of a kind for which the RFC's text says that ours is right.
class RobotsParserTest < Minitest::Test
  Core = IronTrellis::Core

  CASES = 4000
  AGENTS = %w[lampbot Lampbot reefbot mole_bot].freeze
  HEADINGS = ["*", "Lampbot", "lampbot/2.1", "REEFBOT", "mole_bot", "otherbot", ""].freeze
  PIECES = %w[
    /
    /lamps
    /lamps/
    /a
    /b/
    *
    $
    .php
    ?
    =
    /%C3%A9
    /é
    /%7Euser
    /~user
    /%2F
    ~
    lamp
    /ms-40
    &
    x
    //
    /*/
    *.html
    %e3%83%84
    ツ
  ].freeze
  PATHS = %w[
    /
    /lamps
    /lamps/ms-40
    /lamps/ms-40.html
    /a/b/x
    /a.php?x=1
    /b/?lamp=x&y
    /%C3%A9/x
    /%c3%a9
    /~user/x
    /%7Euser/x
    /%2Fx
    /a/%2f
    /x//lamps/
    /%E3%83%84
    /robots.txt
    /lamps/?
    /b/index.html$
    /lamp
  ].freeze
  OTHERS = [
    "Sitemap: http://a.test/s.xml",
    "Crawl-delay: 1",
    "Noindex: /x",
    "# a remark",
    "",
    "nonsense",
    "Host: a.test"
  ].freeze

  # Why a case may differ: the RFC's words, and how such a case is known.
  EXPLAINED = {
    "section 2.2.2: octets of unreserved characters are compared unencoded" => ->(text, path) do
      "#{text}#{path}".match?(/%7e/i)
    end,
    "section 2.2.2: /robots.txt is implicitly allowed" => ->(_, path) { path == "/robots.txt" },
    "section 2.2.4: other records must not interfere with the records of groups" => ->(text, _) do
      text.match?(
        /^user-agent:[^\n]*\n(?:[^\n]*\n)*?(?:sitemap|crawl-delay|noindex|host):[^\n]*\n
          (?:\#[^\n]*\n|\n|nonsense\n)*user-agent:/ix
      )
    end,
    "section 2.2: a group may be without rules (its grammar: \"*(rule / emptyline)\"), and then allows all" => ->(
      text,
      _
    ) do
      text.match?(/^user-agent:[^\n]*\n(?!.*^(?:dis)?allow:)/mi)
    end,
    "section 2.2.1: a group without a token is none" => ->(text, _) { text.match?(/^user-agent: *$/i) }
  }.freeze

  def test_four_thousand_cases_come_to_the_same
    cases = made_cases
    theirs =
      Open3
        .capture2(
          "node",
          File.join(__dir__, "robots_parser.mjs"),
          stdin_data: cases.map { |one| JSON.generate(one) }.join("\n")
        )
        .first
        .lines
        .map { |line| JSON.parse(line) }
    assert_equal cases.size, theirs.size
    differing = cases.zip(theirs).reject { |one, their| ours(one) == their["allowed"] }
    unexplained = differing.reject { |one, _| EXPLAINED.values.any? { |known| known.call(one[:text], one[:path]) } }

    assert_empty unexplained.first(3), "#{unexplained.size} of #{cases.size} differ without a reason"
    assert_operator theirs.count { |one| !one["allowed"] },
      :>,
      CASES / 10,
      "the cases forbid too little to tell anything"
    assert_operator differing.size, :<, CASES / 10
  end

  # The line that decides is the same wherever the two agree on a rule and no two rules are equally long.
  def test_the_deciding_line_is_one_that_matches_as_far
    cases = made_cases.first(1000)
    cases.each do |one|
      decision = policy(one).decide(Core::Url::NormalForm.parse(one[:url]))
      next unless decision.line

      assert_equal decision.rule, one[:text].lines[decision.line - 1].sub(/#.*/, "").strip
    end
  end

  private

  def made_cases
    @made_cases ||= begin
      random = Random.new(9309)
      Array.new(CASES) do
        path = PATHS.sample(random: random)
        {text: file(random), agent: AGENTS.sample(random: random), url: "http://a.test#{path}", path: path}
      end
    end
  end

  def file(random)
    lines = Array.new(random.rand(1..3)) do
      heading =
        Array.new(random.rand(1..2)) do
          ["User-agent: #{HEADINGS.sample(random: random)}", *(OTHERS.sample(random: random) if random.rand(8).zero?)]
        end
      rules =
        Array.new(random.rand(0..4)) { "#{%w[Allow Disallow disallow ALLOW].sample(random: random)}: #{rule(random)}" }
      heading.flatten + rules + [OTHERS.sample(random: random)]
    end
    lines.flatten.join("\n") + "\n"
  end

  def rule(random)
    return "" if random.rand(12).zero?
    return part_of_a_path(random) if random.rand(3).positive?

    ["/", PIECES.sample(random: random), *Array.new(random.rand(0..2)) { PIECES.sample(random: random) }].join.sub(
      %r{\A//},
      "/"
    )
  end

  # The beginning of an address that may be asked for, with a star in it now and then.
  def part_of_a_path(random)
    path = PATHS.sample(random: random)
    part = path[0, random.rand(1..path.length)]
    random.rand(3).zero? ? part.sub(%r{/[^/]*\z}, "/*#{["", "$", ".html", "x"].sample(random: random)}") : part
  end

  def policy(one) = Core::Robots::Policy.from_answer(status: 200, text: one[:text], agent: one[:agent])

  def ours(one) = policy(one).decide(Core::Url::NormalForm.parse(one[:url])).allowed?
end
