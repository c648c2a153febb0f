# frozen_string_literal: true

module IronTrellis
  module Fetch
    module Rendering
      # Starts Chromium, which ends with this process, however that ends (chromium.sh).
      module Chromium
        NAMES = %w[chromium chromium-browser google-chrome].freeze
        FLAGS = {
          "no-sandbox" => nil,
          "disable-gpu" => nil,
          "disable-dev-shm-usage" => nil,
          "disable-background-networking" => nil,
          "disable-component-update" => nil,
          "disable-sync" => nil,
          "no-first-run" => nil
        }.freeze
        START = File.join(__dir__, "chromium.sh")
        START_SECONDS = 30

        module_function

        # @param flags [Hash{String => String, nil}] further ones
        # @param more [Hash] of Ferrum::Browser
        # @return [Ferrum::Browser] in a fresh profile; to be quit
        # @raise [Ferrum::Error] where there is no Chromium, or it doesn't start
        def start(flags: {}, **more)
          # Not before: most commands need no browser.
          require "ferrum"
          ::Ferrum::Browser.new(
            browser_path: START,
            browser_options: FLAGS.merge(flags),
            env: {"TRELLIS_OWNER" => Process.pid.to_s, "TRELLIS_CHROMIUM" => path},
            process_timeout: START_SECONDS,
            **more
          )
        end

        def path
          folders = ENV.fetch("PATH", "").split(File::PATH_SEPARATOR)
          found = folders.product(NAMES).map { |parts| File.join(parts) }.find { |file| File.executable?(file) }
          found || raise(::Ferrum::BinaryNotFoundError.new("there is no Chromium"))
        end
        private_class_method :path
      end
    end
  end
end
