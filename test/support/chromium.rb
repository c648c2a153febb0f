# frozen_string_literal: true

require "capybara"
require "capybara/dsl"
require "selenium-webdriver"

# Debian's Chromium under ChromeDriver, with nothing that looks for a network. The window is 143 pixels higher than the page in it,
# which is 1280x800.
module Chromium
  ARGUMENTS = %w[--headless=new --no-sandbox --disable-gpu --disable-dev-shm-usage --disable-background-networking --disable-component-update
    --disable-sync --no-first-run --window-size=1280,943].freeze

  Capybara.register_driver(:chromium) do |app|
    options = Selenium::WebDriver::Chrome::Options.new(args: ARGUMENTS, binary: "/usr/bin/chromium")
    options.add_preference("intl.accept_languages", "en-GB")
    service = Selenium::WebDriver::Service.chrome(path: "/usr/bin/chromedriver")
    Capybara::Selenium::Driver.new(app, browser: :chrome, options: options, service: service)
  end
  Capybara.default_driver = :chromium
  Capybara.default_max_wait_time = 15
end
