# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/web_servers"

# Redirect maps as Apache httpd 2.4 and nginx (Debian's packages) carry them out, against what Core::Redirects::Table
# says of the same map.
class WebServersTest < Minitest::Test
  Route = IronTrellis::Core::Redirects::Route

  SHOP = "http://shop.example"
  MAP = [
    ["/old", "#{SHOP}/new"],
    ["/temporary", "#{SHOP}/for-now", 302],
    ["/kept", "#{SHOP}/method", 308],
    ["/gone", nil, 410],
    %w[/elsewhere https://other.example/x?a=1],
    ["/list?page=2", "#{SHOP}/list/2"],
    ["/list?page=3&sort=up", "#{SHOP}/list/3"],
    ["/any", "#{SHOP}/dropped", 301, "drop"],
    ["/pass", "#{SHOP}/passed", 301, "keep"],
    ["/pass2", "#{SHOP}/passed?x=1", 301, "keep"],
    ["/Lamps", "#{SHOP}/lamps"],
    ["/caf%C3%A9/d%C3%A9j%C3%A0", "#{SHOP}/coffee"],
    ["/a.b+c(d)", "#{SHOP}/odd/$5,%25/~x"],
    ["/price", "#{SHOP}/%C3%A9t%C3%A9"],
    ["/gone-any", nil, 410, "drop"],
    %w[/to-https https://shop.example/to-https]
  ].freeze
  PATTERNS = [
    ["#{SHOP}/feed/*", "#{SHOP}/feed.xml", 301, "drop"],
    ["#{SHOP}/journal/*/photo/*", "#{SHOP}/journal/$1", 301, "drop"],
    ["/^https?:\\/\\/shop\\.example\\/p-([0-9]+)\\.html$/", "#{SHOP}/products/$1", 301, "keep"],
    ["#{SHOP}/tags/*", nil, 410, "drop"],
    ["#{SHOP}/tags/lamp*", "#{SHOP}/never", 301, "drop"],
    ["*/print", "#{SHOP}/printed", 302, "match"],
    ["#{SHOP}/find?q=*&sort=*", "#{SHOP}/search/$2/$1", 301, "match"]
  ].freeze
  ASKED = %w[
    /old
    /old/
    /OLD
    /old?x=1
    /temporary
    /kept
    /gone
    /gone?x
    /elsewhere
    /list?page=2
    /list
    /list?page=22
    /list?page=3&sort=up
    /any
    /any?x=1
    /pass
    /pass?a=b&c
    /pass2
    /pass2?y=2
    /Lamps
    /lamps
    /caf%C3%A9/d%C3%A9j%C3%A0
    /a.b+c(d)
    /axb+c(d)
    /price
    /gone-any?z=1
    /to-https
    /feed/
    /feed/x/y?z
    /feed
    /journal/storm/photo/7
    /journal/storm
    /p-12.html
    /p-12.html?a=b
    /p-x.html
    /tags/lamp-oil
    /tags/
    /x/print
    /x/print?y
    /find?q=lamp&sort=up
    /find?q=lamp
    /find
    /nothing
    /
  ].freeze

  def routes
    exact =
      MAP.map do |path, to, status, query|
        Route.new(from: SHOP + path, to: to, status: status || 301, kind: "exact", query: query || "match")
      end
    exact +
      PATTERNS.map do |from, to, status, query|
        Route.new(from: from, to: to, status: status, kind: "pattern", query: query)
      end
  end

  def expected(target, host = "shop.example")
    answer = IronTrellis::Core::Redirects::Table.new(routes).answer("http://#{host}#{target}")
    answer ? [answer.route.status, answer.target] : [:none, nil]
  end

  # What no rule takes is a missing page, or the empty folder.
  def asked(server, target, host = "shop.example")
    status, location = server.ask(host, target)
    [([403, 404].include?(status) ? :none : status), location]
  end

  def assert_carried_out(server)
    told = ASKED.to_h { |target| [target, asked(server, target)] }
    assert_equal ASKED.to_h { |target| [target, expected(target)] }, told
    assert_operator told.count { |_, (status, _)| status != :none }, :>, 25
    assert_equal expected("/old", "other.example"), asked(server, "/old", "other.example")
  end

  # A host with a port is asked for with it, and what is captured stays as it was sent.
  PORTED = "http://shop.example:8123"
  ENCODED = %w[/n/a%0Db /n/a%20b /n/a%3Fb /n/caf%C3%A9 /n/%22x%22 /n/a$b /n/50%25 /n/%5C].freeze

  def ported
    [
      Route.new(from: "#{PORTED}/old", to: "#{PORTED}/new", status: 301, kind: "exact", query: "match"),
      Route.new(from: "#{PORTED}/any", to: "#{PORTED}/one", status: 301, kind: "exact", query: "drop"),
      Route.new(from: "#{PORTED}/n/*", to: "#{PORTED}/m/$1", status: 301, kind: "pattern", query: "drop"),
      Route.new(from: "/^https?:.*\\/p-(?P<host>[0-9]+)$/", to: "#{SHOP}/p/$1", status: 301, kind: "pattern",
        query: "keep"),
      Route.new(from: "#{SHOP}/#{"long/" * 300}", to: "#{SHOP}/short", status: 301, kind: "exact", query: "match")
    ]
  end

  def assert_ported(server)
    targets = ["/old", "/any?x=1", "/p-7?a=b", *ENCODED]
    answered = targets.to_h { |target| [target, server.ask("shop.example:8123", target)] }
    table = IronTrellis::Core::Redirects::Table.new(ported)
    assert_equal targets.to_h { |target| [target, [301, table.answer("#{PORTED}#{target}").target]] }, answered
    assert_includes [403, 404], server.ask("shop.example:9", "/old").first
    assert_equal [301, "#{SHOP}/short"], server.ask("shop.example", "/#{"long/" * 300}")
  end

  def test_apache_takes_hosts_with_ports_and_keeps_what_is_captured_encoded
    WebServer.apache(IronTrellis::Ports::Redirects::Maps::Apache.write(ported)) { |server| assert_ported(server) }
  end

  def test_nginx_takes_hosts_with_ports_and_keeps_what_is_captured_encoded
    WebServer.nginx(IronTrellis::Ports::Redirects::Maps::Nginx.write(ported)) { |server| assert_ported(server) }
  end

  def test_what_a_server_cannot_be_told_is_refused_for_that_server
    beyond = Route.new(from: "/\\x{100}+$/", to: "#{SHOP}/x", status: 301, kind: "pattern", query: "drop")
    long = Route.new(from: "#{SHOP}/x", to: "#{SHOP}/#{"y" * 4_100}", status: 301, kind: "exact", query: "drop")
    [["apache", beyond], ["nginx", beyond], ["nginx", long]].each do |format, route|
      error =
        assert_raises(IronTrellis::Core::Error::InvalidInput) { IronTrellis::Ports::Redirects.write(format, [route]) }
      assert_match(/can't be told of/, error.message)
    end
    assert IronTrellis::Ports::Redirects.write("csv", [beyond, long])
    WebServer.apache(IronTrellis::Ports::Redirects.write("apache", [long])) do |server|
      assert_equal [301, long.to], server.ask("shop.example", "/x")
    end
  end

  def test_apache_answers_as_the_map_says
    WebServer.apache(IronTrellis::Ports::Redirects::Maps::Apache.write(routes)) { |server| assert_carried_out(server) }
  end

  def test_nginx_answers_as_the_map_says
    WebServer.nginx(IronTrellis::Ports::Redirects::Maps::Nginx.write(routes)) { |server| assert_carried_out(server) }
  end
end
