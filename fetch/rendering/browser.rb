# frozen_string_literal: true

module IronTrellis
  module Fetch
    module Rendering
      # One Chromium that renders one page at a time, each in a profile of its own. It can reach nobody by itself: its
      # proxy is a port that answers nothing, and what its pages ask for is answered by Requests.
      class Browser
        NOWHERE = "http://127.0.0.1:9"
        FLAGS = {
          "proxy-server" => NOWHERE,
          "proxy-bypass-list" => "<-loopback>",
          "host-resolver-rules" => "MAP * ~NOTFOUND",
          "force-webrtc-ip-handling-policy" => "disable_non_proxied_udp",
          "block-new-web-contents" => nil,
          "js-flags" => "--max-old-space-size=384"
        }.freeze
        Rendered = Core::Rendering::Rendered

        # @param policy [RequestPolicy]
        # @param cache [KeptAnswers]
        def initialize(policy, cache: KeptAnswers.new)
          @policy, @cache = policy, cache
        end

        # @param url [Core::Url::Parts]
        # @param agent [String] one of RequestPolicy::AGENTS
        # @param width [Integer] of the window, CSS pixels
        # @param screenshot [Boolean]
        # @param answer [Core::Crawling::Answer, nil] of the page itself, where it was asked for already
        # @return [Core::Rendering::Rendered]
        def render(url, agent: RequestPolicy::CRAWLER, width: Core::Rendering::Layout::DESK, screenshot: false,
          answer: nil)
          start
          visit = Visit.new(@ferrum, self, @policy, @cache, url, agent, width, {url.to_s => answer}.compact)
          visit.call(screenshot: screenshot)
        rescue ::Ferrum::Error => error
          kill
          Rendered.new(
            url: url.to_s,
            agent: agent,
            width: width,
            requests: [],
            console: [],
            layouts: [],
            timings: {},
            error: "unavailable",
            error_detail: "Chromium can't be used (#{error.message.lines.first.to_s.strip}); bin/setup installs it"
          )
        ensure
          kill if visit&.broken?
        end

        # @return [Integer] megabytes that it holds now
        def megabytes = @ferrum ? Memory.of(@ferrum.process.pid) : 0

        # @return [void]
        def close
          @ferrum&.quit
        rescue ::Ferrum::Error, SystemCallError
          kill
        ensure
          @ferrum = nil
        end

        private

        def start
          return if @ferrum

          @ferrum =
            Chromium.start(
              flags: FLAGS,
              timeout: Limits::SECONDS,
              pending_connection_errors: false,
              window_size: [Core::Rendering::Layout::DESK, Limits::HEIGHT]
            )
          @policy.visitor_user_agent ||= @ferrum.version.user_agent.sub("Headless", "")
        end

        # With all that it started: a page that hangs holds them.
        def kill
          pids = @ferrum ? Memory.tree(@ferrum.process.pid) : []
          pids.each { |pid| signal(pid) }
          @ferrum&.quit
        rescue ::Ferrum::Error, SystemCallError
          nil
        ensure
          @ferrum = nil
        end

        def signal(pid)
          Process.kill("KILL", pid)
        rescue Errno::ESRCH
          nil
        end
      end
    end
  end
end
