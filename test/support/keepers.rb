# frozen_string_literal: true

require "net/http"
require_relative "site_server"

# A demo site of its own, and the people who change it.
class Keepers
  # @return [SiteServer]
  attr_reader :server

  def initialize
    SiteServer.skerry
    @server = SiteServer.new(SkerrySite::Application.new(chapters: false))
  end

  # @param path [String] of the maintenance
  # @param order [Hash]
  # @return [void]
  # @raise [RuntimeError] where they won't
  def tell(path, order)
    answer =
      Net::HTTP.post(
        URI("http://127.0.0.1:#{@server.port}#{path}"),
        JSON.generate(order),
        "Host" => SkerrySite::Maintenance::HOST
      )
    raise "The keepers won't: #{answer.body}" unless answer.code == "200"
  end

  # @param url [String]
  # @param fields [Hash] of the page
  # @return [void]
  def change(url, fields)
    host, path = url.match(%r{\Ahttps?://([^/]+)(/.*)\z}).captures
    tell("/pages", {host: host, path: path, set: fields})
  end

  # Puts a redirect in the place of what was there.
  #
  # @param route [Hash{String => Object}] of a redirect map as JSON
  # @return [void]
  def redirect(route) =
    change(
      route["from"],
      {status: route["status"], location: route["to"], parts: "", listed: false, head: nil, body: nil}
    )
end
