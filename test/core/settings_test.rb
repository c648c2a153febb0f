# frozen_string_literal: true

require_relative "../test_helper"

# What may be given for settings and secrets, and what is said of what may not.
class CoreSettingsTest < Minitest::Test
  Settings = IronTrellis::Core::Settings

  START = {"start_urls" => ["http://a.test/"]}.freeze

  def settings(**values) = Settings::Crawl.new(START.merge(values.transform_keys(&:to_s)))

  def problem(**values)
    error = assert_raises(Settings::Problems, values) { settings(**values) }
    assert_equal [values.keys.first.to_s], error.data[:problems].map { |one| one[:field] }.uniq
    error.message
  end

  def test_what_is_left_out_takes_its_default_and_what_is_unknown_is_passed_over
    assert_equal Settings::Crawl.defaults.merge(START), settings(nonsense: 1).to_h
    assert settings.to_h.frozen?
  end

  def test_urls_are_kept_in_normal_form_and_hosts_in_lower_case
    made =
      settings(
        start_urls: %w[HTTP://A.test:80/x/../y http://a.test/y],
        hosts: ["WWW.A.test"],
        sitemaps: ["http://a.test/./s.xml"]
      )

    assert_equal [["http://a.test/y"], ["www.a.test"], ["http://a.test/s.xml"]],
      [made.start_urls, made.hosts, made.sitemaps]
  end

  def test_each_kind_of_setting_says_what_is_wrong_with_a_value
    assert_match(/whole number from 1 to 64/, problem(concurrency: 1.5))
    assert_match(/number from 0 to 1000/, problem(rate: "fast"))
    assert_match(/true or false/, problem(images: "yes"))
    assert_match(/can't be chosen/, problem(mode: "wander"))
    assert_match(/letters, digits, hyphens and underscores/, problem(agent: "Bot/1"))
    assert_match(/one line/, problem(agent_header: "a\r\nX: y"))
    assert_match(/ends in a slash/, problem(folders: ["pt"]))
    assert_match(/no parameter/, problem(drop_parameters: ["a=1"]))
    assert_match(/no certificate/, problem(trusted_authority: "lamp"))
    assert_match(
      /can't be read/,
      problem(trusted_authority: "-----BEGIN CERTIFICATE-----\nlamp\n-----END CERTIFICATE-----")
    )
    assert_match(/whole number from 1 on/, problem(caps: [{"pattern" => "/x/*", "most" => 0}]))
    assert_match(/can't be read/, problem(caps: [{"pattern" => "/(/", "most" => 1}]))
    assert_match(/list of texts/, problem(exclude: "/x/*"))
    assert_match(/without http/, problem(hosts: ["http://b.test"]))
    assert_match(/may have a port of its own/, problem(resolve: {"a.test:80" => "b.test"}))
  end

  def test_lists_have_an_end
    assert_match(
      /may hold 1000 entries; these are 1001/,
      problem(start_urls: (0..1000).map { |number| "http://a.test/#{number}" })
    )
  end

  def test_the_agent_header_names_the_token_unless_it_is_given
    assert_equal ["Lampbot/0.1.0 (site audit)", "Other"],
      [settings(agent: "Lampbot").user_agent, settings(agent: "Lampbot", agent_header: "Other").user_agent]
  end

  def test_a_list_takes_the_place_of_the_start_urls
    made = settings(mode: "list", list: %w[http://b.test/1])

    assert_equal [%w[http://b.test/1], ["b.test"]], [made.first_urls, made.scope.hosts.keys]
    assert_equal START["start_urls"], settings(mode: "list").first_urls
  end

  def test_a_trial_says_of_each_url_what_would_become_of_it_and_why
    made =
      settings(
        folders: ["/lamps/"],
        exclude: ["*?print=*"],
        drop_parameters: ["sid"],
        caps: [{"pattern" => "*/spares/*", "most" => 5}]
      )
    verdicts =
      Settings::Preview.new(made).call(
        [
          "http://a.test/lamps/x?sid=1",
          "http://a.test/about",
          "http://a.test/lamps/x?print=1",
          " http://b.test/lamps/ ",
          "ftp://a.test/",
          "http://a.test/lamps/spares/y",
          "http://a.test/lamps/x/x/x/"
        ]
      )

    assert_equal [true, false, false, false, false, true, true], verdicts.map(&:taken)
    assert_equal "http://a.test/lamps/x", verdicts.first.normal
    assert_equal [
      nil,
      "it lies outside the folders",
      "left out by *?print=*",
      "the host b.test is not in scope",
      "it is not a web address",
      "at most 5 of */spares/*"
    ],
      verdicts.first(6).map(&:why)
    assert_match(/space without end \(repeating segments\): at most 250/, verdicts.last.why)
  end

  SECRETS = {
    "user" => "ines",
    "password" => "wick",
    "cookies" => "a=1",
    "headers" => ["X-A: 1", "X-B: 2"],
    "proxy" => "http://u:p@proxy.test:3128/"
  }.freeze

  def test_nothing_secret_is_shown
    shown = Settings::Secrets.new(SECRETS).redacted.to_s

    assert_includes shown, "ines"
    %w[wick a=1 X-A:\ 1 u:p].each { |secret| refute_includes shown, secret }
  end

  def test_what_comes_back_hidden_stays_and_what_was_typed_counts
    secrets = Settings::Secrets.new(SECRETS)
    shown = secrets.redacted

    assert_equal SECRETS, secrets.with(shown).to_h
    assert_equal ["new", ["X-A: 1", "X-C: 3"], ""],
      secrets
        .with(
          shown.merge("password" => "new", "headers" => [shown["headers"].first, "X-C: 3"], "proxy" => "")
        )
        .to_h
        .values_at("password", "headers", "proxy")
  end

  def test_secrets_become_request_headers
    assert_equal [%w[X-A 1], %w[X-B 2], %w[Cookie a=1], ["Authorization", "Basic aW5lczp3aWNr"]],
      Settings::Secrets.new(SECRETS).header_pairs
    assert Settings::Secrets.new({}).none?
  end

  def test_secrets_that_cannot_be_sent_are_refused
    {
      {"headers" => ["nonsense"]} => /Write Name: value/,
      {"headers" => ["Host: x"]} => /can't be set here/,
      {"proxy" => "proxy.test"} => /is no proxy/,
      {"cookies" => "a=1\r\nX: y"} => /plain characters/,
      {"user" => "a:b"} => /can't hold a colon/
    }.each do |values, message|
      assert_match message, assert_raises(Settings::Problems) { Settings::Secrets.new(values) }.message
    end
  end
end
