# frozen_string_literal: true

require_relative "site_server"
require_relative "../../standins/index/application"

# The index stand-in in this process, over the demo's site, some weeks old.
module GazetteerHere
  DAYS = 40
  HOSTS = %w[www.skerrylamps.example].freeze

  module_function

  # @return [Gazetteer::Application]
  def application = @application ||= made.tap { |one| pass(one, DAYS) }

  # @return [Integer]
  def port = @port ||= SiteServer.new(application).port

  # @param name [String]
  # @return [String] a file as people bring it
  def export(name) =
    application.call({"REQUEST_METHOD" => "GET", "PATH_INFO" => "/exports/#{name}", "QUERY_STRING" => ""}).last.first

  # @param seed [Integer]
  # @param site_port [Integer] where the site answers that it crawls
  # @param today [Date] its day after DAYS have passed
  # @return [Gazetteer::Application]
  def made(seed: 7, site_port: SiteServer.skerry.port, today: Date.today)
    Gazetteer::Application.new(
      {
        "seed" => seed,
        "first_day" => (today - DAYS).iso8601,
        "lenient_from" => (today - 14).iso8601,
        "hosts" => HOSTS,
        "address" => "127.0.0.1:#{site_port}"
      }
    )
  end

  # @return [void]
  def pass(application, count)
    body = StringIO.new(JSON.generate(count: count))
    application.call({"REQUEST_METHOD" => "POST", "PATH_INFO" => "/days", "QUERY_STRING" => "", "rack.input" => body})
  end
end
