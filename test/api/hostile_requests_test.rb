# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/api_here"
require "yaml"

# Requests that nobody of good will sends: each is answered in words, none by an error of ours, none before it is known
# who asks.
class HostileRequestsTest < Minitest::Test
  include ApiHere

  CONTRACT = YAML.load_file(IronTrellis::Api::App::CONTRACT)
  IDS = %w[99999999999999999999999 -1 0 abc 1%00 %ff%fe 1;drop 1.5].freeze
  TEXTS = [
    "\u0000",
    "a\u0000b",
    "%ff",
    "💥" * 40,
    "x" * 5_000,
    "'; DROP TABLE users; --",
    "../../etc/passwd",
    "-",
    "{}",
    "[",
    "null"
  ].freeze

  def setup
    super
    sign_up
  end

  def raw(verb, path, body = nil, headers = {})
    env = {"REQUEST_METHOD" => verb, "CONTENT_TYPE" => "application/json", "HTTP_X_CSRF_TOKEN" => @token.to_s}.merge(
      headers
    )
    custom_request(verb, "/api#{path}", body, env)
    last_response
  end

  # Every route with hostile ids, and with hostile values in every parameter of its query.
  def requests
    CONTRACT["paths"]
      .flat_map do |path, verbs|
        verbs
          .slice("get", "delete")
          .flat_map do |verb, operation|
            ids = IDS.map { |id| [verb.upcase, path.gsub(/\{\w+\}/, id)] }
            names = (operation["parameters"] || []).select { |one| one["in"] == "query" }.map { |one| one["name"] }
            ids +
              names
                .product(TEXTS)
                .map do |name, text|
                  [
                    verb.upcase,
                    path.sub("{crawl}", judged.to_s).sub("{site}", site_id.to_s).gsub(/\{\w+\}/, "1") +
                      "?#{name}=#{Rack::Utils.escape(text)}"
                  ]
                end
          end
      end
      .reject { |verb, path| verb == "DELETE" && path.match?(%r{\A/(session|crawls/\d+|sites/\d+)\z}) }
  end

  def site_id = Store::Crawling::Crawl.find(judged).site_id

  def test_no_hostile_address_is_an_error_of_ours
    judged
    answers = requests.map { |verb, path| [verb, path, raw(verb, path).status] }

    assert_empty answers.select { |_, _, status| status >= 500 }.map { |one| one.join(" ")[0, 120] }
    assert_operator answers.count { |_, _, status| [400, 404, 409, 422].include?(status) }, :>, answers.size / 2
  end

  def test_no_hostile_body_is_an_error_of_ours
    bodies = [
      "",
      "{",
      "[]",
      "null",
      "7",
      "\"x\"",
      "{\"name\": \"a\\u0000b\"}",
      (+"\xFF\xFE").force_encoding("BINARY"),
      "{\"a\":" * 200,
      JSON.generate({"where" => {"all" => [{}]}})
    ]
    writing =
      CONTRACT["paths"].flat_map do |path, verbs|
        verbs.slice("post", "put", "patch").keys.map { |verb| [verb.upcase, path] }
      end
    bad =
      writing
        .product(bodies)
        .filter_map do |(verb, path), body|
          path = path.sub("{crawl}", judged.to_s).sub("{site}", site_id.to_s).gsub(/\{\w+\}/, "1")
          next if path == "/session"

          status = raw(verb, path, body).status
          [verb, path, body[0, 30], status].join(" ") if status >= 500
        end

    assert_empty bad
  ensure
    # Some of them may be carried out: what they began is taken back.
    Store::Postgres::Sql.run("DELETE FROM que_jobs WHERE queue LIKE 'crawl%'")
    Store::Crawling::Crawl.where(site_id: site_id).where.not(id: judged).each(&:drop)
    Store::Crawling::Crawl.where(id: judged).update_all(judging_asked_at: nil)
  end

  def test_a_nul_is_told_with_its_field
    answer = raw("POST", "/sites", JSON.generate(site_input.merge(name: "a\u0000b")))
    assert_equal [422, "name"], [answer.status, JSON.parse(answer.body).dig("problems", 0, "field")]
  end

  def test_who_asks_is_known_before_a_body_is_read
    clear_cookies
    body = StringIO.new("x" * 10)
    def body.read(*) = raise("the body was read")
    answer = raw("POST", "/sites", nil, "rack.input" => body, "CONTENT_LENGTH" => "10")
    assert_equal [401, "not-signed-in"], [answer.status, JSON.parse(answer.body)["code"]]
  end

  def test_what_is_too_large_is_refused_by_its_route
    large = "x" * 1_100_000
    assert_equal 413, raw("POST", "/trials/timetable", large).status
    refute_equal 413,
      raw(
        "POST",
        "/sites/#{site_id}/routes/import?format=csv",
        large,
        "CONTENT_TYPE" => "application/octet-stream"
      ).status
    assert_match(
      /16 MB at most/,
      JSON.parse(raw("POST", "/sites/#{site_id}/routes/import", "x" * 16_100_000).body)["detail"]
    )
  end

  # What a header says of the name anybody can write; a proxy that was named is believed.
  def test_forwarded_names_are_believed_of_named_proxies_only
    [["X_FORWARDED_HOST", ""], ["FORWARDED", "host="]].each do |header, before|
      said = ->(name) { {"HTTP_#{header}" => "#{before}#{name}"} }
      evil = said.call("127.0.0.1").merge("HTTP_HOST" => "evil.example")
      assert_equal 403, raw("GET", "/session", nil, evil).status
      assert_equal 200, raw("GET", "/session", nil, said.call("evil.example")).status
    end
    seen = []
    inner = ->(env) { seen << Rack::Request.new(env).host }
    behind = IronTrellis::Api::Http::Forwarded.new(inner, proxies: ["10.0.0.9"])
    %w[10.0.0.9 10.0.0.8].each do |from|
      behind.call({"REMOTE_ADDR" => from, "HTTP_HOST" => "a", "HTTP_X_FORWARDED_HOST" => "b"})
    end
    assert_equal %w[b a], seen
  end

  def test_what_is_no_host_is_refused
    %w[localhost@evil evil@localhost localhost/x local\nhost localhost:x [::1].evil].each do |host|
      assert_equal 400, raw("GET", "/session", nil, "HTTP_HOST" => host).status, host
    end
    assert_equal 200, raw("GET", "/session", nil, "HTTP_HOST" => "LOCALHOST:7410").status
  end

  def test_only_our_names_and_our_pages_may_ask
    assert_equal 403, raw("GET", "/session", nil, "HTTP_HOST" => "evil.example").status
    assert_equal 403, raw("GET", "/session", nil, "HTTP_ORIGIN" => "http://evil.example").status
    assert_equal 200,
      raw(
        "GET",
        "/session",
        nil,
        "HTTP_HOST" => "localhost:7410",
        "HTTP_ORIGIN" => "http://localhost:7410"
      ).status
  end

  def test_signing_out_ends_the_session_on_the_server_and_so_does_time
    cookie = last_request.cookies["iron_trellis"] || rack_mock_session.cookie_jar["iron_trellis"]
    call(:get, "/sites")
    kept = rack_mock_session.cookie_jar["iron_trellis"] || cookie
    call(:delete, "/session")
    set_cookie "iron_trellis=#{kept}"
    assert_equal 401, raw("GET", "/sites").status

    token = Store::Accounts::Session.begin(Store::Accounts::User.first, Time.now)
    assert Store::Accounts::Session.user_of(token, Time.now)
    assert_nil Store::Accounts::Session.user_of(token, Time.now + 15 * 86_400)
  end

  def test_tries_are_counted_by_connection_and_by_account
    call(:delete, "/session")
    call(:get, "/session")
    wrong = JSON.generate(email: "auditor@example.test", password: "wrong")
    from = ->(number) do
      raw(
        "POST",
        "/session",
        wrong,
        "HTTP_X_FORWARDED_FOR" => "10.0.0.#{number}",
        "REMOTE_ADDR" => "192.0.2.#{number}"
      ).status
    end
    # Tries are counted from minute to minute: none may end in between.
    Time.stub(:now, Time.now) do
      assert_equal [401, 429], [from.call(1), 12.times.map { |number| from.call(number) }.last]
    end
  end

  def test_six_first_accounts_at_once_are_one
    Store::Accounts::User.delete_all
    made =
      6
        .times
        .map do |number|
          Thread.new do
            Store::Accounts::User.register_first(
              email: "#{number}@example.test",
              name: "N",
              password: "a long password"
            )
          rescue
            nil
          end
        end
        .filter_map(&:value)
    assert_equal [1, 1], [made.size, Store::Accounts::User.count]
  end

  def test_a_list_goes_on_in_the_verdicts_in_which_it_began
    crawl = Store::Crawling::Crawl.find(judged)
    first = call(:get, "/crawls/#{judged}/urls?limit=5")
    IronTrellis::Work::Judging::Judgement.alone(crawl, clock: -> { Time.now })
    refute_equal first["rows"], call(:get, "/crawls/#{judged}/urls?limit=5&after=#{first["next"]}")["rows"]
    crawl.verdict_runs.order(:id)[0...-1].each(&:drop)
    assert_match(
      /worked out anew/,
      call(:get, "/crawls/#{judged}/urls?limit=5&after=#{first["next"]}", status: 409)["detail"]
    )
  end
end

# What a site is told, by whom, and what becomes of its secrets.
class KeepingSitesTest < Minitest::Test
  include ApiHere

  def setup
    super
    sign_up
  end

  def test_the_network_of_this_machine_is_for_who_runs_it_to_permit
    before, ENV["TRELLIS_OWN_NETWORK"] = ENV["TRELLIS_OWN_NETWORK"], nil
    {allow_private: true, resolve: {"a.test:80" => "127.0.0.1:1"}}.each do |name, value|
      answer =
        call(
          :post,
          "/sites",
          {name: "own #{SecureRandom.hex(4)}", settings: {:start_urls => ["http://a.test/"], name => value}},
          status: 422
        )
      assert_equal name.to_s, answer.dig("problems", 0, "field")
    end
    call(
      :post,
      "/sites",
      {name: "own #{SecureRandom.hex(4)}", settings: {start_urls: ["http://a.test/"]}},
      status: 201
    )
  ensure
    ENV["TRELLIS_OWN_NETWORK"] = before
  end

  def test_secrets_are_typed_again_when_requests_go_elsewhere
    input = {
      name: "moved #{SecureRandom.hex(4)}",
      settings: {
        start_urls: ["http://a.test/"]
      },
      secrets: {
        password: "wick",
        user: "ines"
      }
    }
    site = call(:post, "/sites", input, status: 201)
    moved = input.merge(settings: {start_urls: ["http://a.test/"], resolve: {"a.test:80" => "203.0.113.7"}})
    assert_equal "password",
      call(:put, "/sites/#{site["id"]}", moved.merge(secrets: site["secrets"]), status: 422).dig(
        "problems",
        0,
        "field"
      )
    call(:put, "/sites/#{site["id"]}", input.merge(secrets: site["secrets"]))
    call(:put, "/sites/#{site["id"]}", moved)
  end

  def test_secrets_whose_key_is_lost_are_said_to_be_unreadable
    site =
      call(
        :post,
        "/sites",
        {
          name: "lost #{SecureRandom.hex(4)}",
          settings: {
            start_urls: ["http://a.test/"]
          },
          secrets: {
            password: "wick"
          }
        },
        status: 201
      )
    Store::Postgres::Sql.run(
      "UPDATE secrets SET content = $2 WHERE site_id = $1",
      [
        site["id"],
        JSON.generate(
          p: Base64.strict_encode64("x" * 20),
          h: {
            iv: Base64.strict_encode64("x" * 12),
            at: Base64.strict_encode64("x" * 16)
          }
        )
      ]
    )
    assert_match(/can't be read/, call(:get, "/sites/#{site["id"]}").dig("secrets", "password"))
    assert_match(/another key/, call(:post, "/sites/#{site["id"]}/crawls", status: 409)["detail"])
    shown = call(:get, "/sites").fetch("sites").find { |one| one["id"] == site["id"] }
    call(
      :put,
      "/sites/#{site["id"]}",
      {
        name: site["name"],
        settings: site["settings"],
        secrets: {
          user: "",
          password: "new",
          cookies: "",
          headers: [],
          proxy: ""
        }
      }
    )
    assert_match(/can't be read/, shown.dig("secrets", "password"))
    assert_equal "new", Store::Settings::Secrets.of(site["id"]).password
  end

  def test_urls_of_another_site_are_not_fetched_for_this_one
    other =
      call(
        :post,
        "/sites",
        {name: "other #{SecureRandom.hex(4)}", settings: {start_urls: ["http://a.test/"]}},
        status: 201
      )
    assert_match(
      /no crawl/,
      call(:post, "/sites/#{other["id"]}/crawls", {from: {crawl: judged, where: "{}"}}, status: 404)["detail"]
    )
  end
end
