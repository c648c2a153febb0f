# frozen_string_literal: true

require "puma"
require "puma/server"

# Serves a Rack application on a free loopback port for as long as the tests run.
class SiteServer
  attr_reader :port

  # @param application [#call]
  def initialize(application)
    @server = Puma::Server.new(application, nil, min_threads: 1, max_threads: 16, log_writer: Puma::LogWriter.null)
    @port = @server.add_tcp_listener("127.0.0.1", 0).addr[1]
    @server.run
    Minitest.after_run { @server.stop(true) }
  end

  # The demo site without the pages that come by the dozen, started once.
  def self.skerry = @skerry ||= demo_site(chapters: false)

  # The demo site as it is, started once.
  def self.skerry_whole = @skerry_whole ||= demo_site(chapters: true)

  def self.demo_site(chapters:)
    require_relative "../../standins/site/application"
    new(SkerrySite::Application.new(chapters: chapters))
  end
  private_class_method :demo_site
end
