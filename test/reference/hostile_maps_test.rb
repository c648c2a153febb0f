# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/web_servers"

# Redirect maps that somebody means ill with, or that are only odd: what can be decided is carried out by the real
# servers (Debian's apache2 and nginx) as it says and writes nothing of its own into their files; the rest is refused.
class HostileMapsTest < Minitest::Test
  Core = IronTrellis::Core
  SHOP = "http://shop.example"
  PIECES = [
    "a",
    "b/",
    "%0A",
    "%0D%0A",
    "%22",
    "%5C",
    "%5Cn",
    "%24",
    "%25",
    "$1",
    "$http_cookie",
    "${x}",
    "\"",
    "\\",
    "\n",
    "\r\nHeader set X-Evil yes\n",
    "; return 200 evil;",
    " ",
    "%20",
    "é",
    "%C3%A9",
    "#",
    "'",
    "{",
    "}",
    "*",
    "(",
    "[",
    "%{HTTP_HOST}",
    "\t",
    "%00",
    "<",
    "`",
    "|",
    "^",
    "~"
  ].freeze
  COUNT = 2_000
  # What is asked for of patterns, in place of their star.
  CAPTURED = %w[x %0A %0D %0D%0AX-Evil: %20 %22 %23 %24 %25 %26 %27 %3B %3C %3F %5B %5C %5E %60 %7B %7C %C3%A9 $1 $host
    %25%7BHTTP_HOST%7D ~ ' ( ) * + , ; = @ %7C %5C1].freeze

  def hostile(random) = "#{SHOP}/#{Array.new(random.rand(1..5)) { PIECES.sample(random: random) }.join}"

  # What comes through the same door as everything that is decided.
  def routes
    random = Random.new(7410)
    @routes ||=
      Array
        .new(COUNT) do |number|
          [
            hostile(random).sub("/", "/").sub(SHOP, "#{SHOP}/r#{number}"),
            hostile(random),
            (number % 4 == 0) ? "pattern" : "exact"
          ]
        end
        .filter_map do |from, to, kind|
          subject, value =
            Core::Decisions::Registry.read(
              "route",
              from,
              {"to" => to, "status" => 301, "kind" => kind, "query" => "drop"}
            )
          Core::Redirects::Route.new(from: subject, to: value["to"], status: 301, kind: kind, query: "drop")
        rescue Core::Error::InvalidInput
          nil
        end
  end

  def assert_carried_out(server)
    assert_equal 301, server.ask("shop.example", "/plain").first
    table = Core::Redirects::Table.new(all)
    # Servers refuse a NUL and what can't be decoded, and take two slashes for one.
    exact = routes.reject(&:pattern?).reject { |route| route.from.match?(%r{%(00|2F|(?!\h\h))|[^:]//}i) }
    answers = exact.first(150).to_h { |route| [route.from, server.ask("shop.example", route.from.delete_prefix(SHOP))] }
    assert_equal answers.to_h { |from, _| [from, [301, table.answer(from).target]] }, answers
    captured = CAPTURED.to_h { |part| ["#{SHOP}/captured/#{part}/end", nil] }
    captured.each_key { |url| captured[url] = server.ask("shop.example", url.delete_prefix(SHOP)) }
    assert_equal captured.to_h { |url, _| [url, [301, "#{SHOP}/to/#{url[%r{captured/(.*)/end}, 1]}"]] }, captured
  end

  def all =
    [
      Core::Redirects::Route.new(from: "#{SHOP}/captured/*/end", to: "#{SHOP}/to/$1", status: 301, kind: "pattern",
        query: "drop"),
      *routes,
      Core::Redirects::Route.new(from: "#{SHOP}/plain", to: "#{SHOP}/there", status: 301, kind: "exact", query: "drop")
    ]

  def test_both_servers_take_the_file_and_answer_as_the_map_says
    assert_operator routes.size, :>, COUNT / 3
    texts = [
      IronTrellis::Ports::Redirects::Maps::Apache.write(all),
      IronTrellis::Ports::Redirects::Maps::Nginx.write(all)
    ]
    texts.each { |text| refute_match(/^\s*(Header|return 200)/, text) }
    WebServer.apache(texts.first) { |server| assert_carried_out(server) }
    WebServer.nginx(texts.last) { |server| assert_carried_out(server) }
  end

  def test_targets_of_patterns_hold_no_variables_quotes_or_line_breaks
    ["$http_cookie", "\"; x", "a\nb", "a\\b", "$0", "$10", "a b"].each do |tail|
      assert_raises(Core::Error::InvalidInput, tail.inspect) do
        Core::Decisions::Registry.read(
          "route",
          "#{SHOP}/*",
          {"to" => "#{SHOP}/#{tail}", "status" => 301, "kind" => "pattern"}
        )
      end
    end
    assert Core::Decisions::Registry.read(
      "route",
      "#{SHOP}/*",
      {"to" => "#{SHOP}/new/$1", "status" => 301, "kind" => "pattern"}
    )
  end
end
