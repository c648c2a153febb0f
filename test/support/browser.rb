# frozen_string_literal: true

require "capybara/minitest"
require_relative "chromium"

# Drives Debian's Chromium against the real server, with a worker process beside it.
module Browser
  AXE = File.expand_path("../../web/node_modules/axe-core/axe.min.js", __dir__)

  Capybara.configure do |config|
    config.server = :puma, {Silent: true}
    config.save_path = File.expand_path("../../var/test", __dir__)
  end

  include Capybara::DSL
  include Capybara::Minitest::Assertions

  def self.ready
    @ready ||= begin
      FileUtils.mkdir_p(Capybara.save_path)
      Capybara.app = IronTrellis::Api::Server.application
      pid = spawn({"TRELLIS_ENV" => "test"}, IronTrellis::ROOT.join("bin/worker").to_s, "--parent", Process.pid.to_s)
      Minitest.after_run do
        Process.kill("TERM", pid)
        Process.wait(pid)
      end
      true
    end
  end

  def setup
    super
    Browser.ready
    Rack::Attack.cache.store.clear
    IronTrellis::Store::Accounts::User.delete_all
  end

  def teardown
    page.driver.save_screenshot(File.join(Capybara.save_path, "#{name}.png")) unless passed?
    Capybara.reset_sessions!
    super
  end

  # @return [Array<String>] what axe-core finds wrong on the page as it is, in words
  def accessibility_faults
    page.execute_script(File.read(AXE))
    results = page.evaluate_async_script(<<~JS)
      const ends = (one) => Number.isFinite(one.effect.getComputedTiming().endTime);
      // Colours that are on their way are no one's to read.
      Promise.allSettled(document.getAnimations().filter(ends).map((one) => one.finished))
        .then(() => axe.run(document, {resultTypes: ['violations']}))
        .then(arguments[0]);
    JS
    results["violations"].flat_map do |rule|
      rule["nodes"].map { |node| "#{rule["id"]}: #{node["html"][0, 160]} #{node["failureSummary"].to_s[0, 200]}" }
    end
  end

  # To whatever has the focus when they come, which may be drawn anew meanwhile.
  def press(*keys) = page.driver.browser.action.send_keys(*keys).perform

  # Moves on with the tabulator until it is there, as everything must be reachable so.
  #
  # @param kind [String] CSS
  # @param text [String, Regexp]
  # @return [void]
  def focus(kind, text)
    200.times do
      if text ===
          page.evaluate_script(
            "document.activeElement.matches('#{kind}') && document.activeElement.textContent.trim()"
          )
        return
      end

      press :tab
    end
    flunk "#{text.inspect} can't be reached by the keyboard"
  end

  # On a busy machine the driver loses keys now and then.
  def type(field, text)
    3.times { fill_in(field, with: text) && has_field?(field, with: text, wait: 5) && return }
    flunk "#{text} can't be typed into #{field}"
  end
end
