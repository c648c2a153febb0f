# frozen_string_literal: true

require "capybara"
require "capybara/dsl"
require "selenium-webdriver"

# Debian's Chromium under ChromeDriver, with nothing that looks for a network. The window is 143 pixels higher than the
# page in it, which is 1280x800.
module Chromium
  ARGUMENTS = %w[
    --headless=new
    --no-sandbox
    --disable-gpu
    --disable-dev-shm-usage
    --disable-background-networking
    --disable-component-update
    --disable-sync
    --no-first-run
    --window-size=1280,943
  ].freeze

  module_function

  # @param further [Array<String>] arguments
  # @return [Capybara::Selenium::Driver]
  def driver(app, further = [])
    options = Selenium::WebDriver::Chrome::Options.new(args: ARGUMENTS + further, binary: "/usr/bin/chromium")
    options.add_preference("intl.accept_languages", "en-GB")
    service = Selenium::WebDriver::Service.chrome(path: "/usr/bin/chromedriver")
    Capybara::Selenium::Driver.new(app, browser: :chrome, options: options, service: service)
  end

  # A browser for which hosts lie where they are said to lie.
  #
  # @param resolve [Hash{String => String}] "host:port" => "address:port"
  # @return [Capybara::Session]
  def session(resolve:)
    rules = resolve.map { |from, to| "MAP #{from} #{to}" }.join(",")
    Capybara.register_driver(:chromium_elsewhere) { |app| driver(app, ["--host-resolver-rules=#{rules}"]) }
    Capybara::Session.new(:chromium_elsewhere)
  end

  Capybara.register_driver(:chromium) { |app| driver(app) }
  Capybara.default_driver = :chromium
  Capybara.default_max_wait_time = 30
end
