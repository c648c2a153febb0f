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

  def test_apache_answers_as_the_map_says
    WebServer.apache(IronTrellis::Ports::Redirects::Maps::Apache.write(routes)) { |server| assert_carried_out(server) }
  end

  def test_nginx_answers_as_the_map_says
    WebServer.nginx(IronTrellis::Ports::Redirects::Maps::Nginx.write(routes)) { |server| assert_carried_out(server) }
  end
end
