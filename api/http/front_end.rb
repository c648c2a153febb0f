# frozen_string_literal: true

require "rack/files"

module IronTrellis
  module Api
    module Http
      # Serves the built front end: its files as they are, and its page for every address of a screen.
      class FrontEnd
        FOLDER = ROOT.join("web/dist")
        FOREVER = "public, max-age=31536000, immutable"
        PASS = [404, {"x-cascade" => "pass"}, []].freeze

        def initialize
          @files = Rack::Files.new(FOLDER.to_s)
        end

        # @param env [Hash]
        # @return [Array] 404 for what belongs to the API
        def call(env)
          path = env["PATH_INFO"]
          return PASS.dup if path.start_with?("/api/")
          return [405, {"allow" => "GET, HEAD"}, []] unless %w[GET HEAD].include?(env["REQUEST_METHOD"])

          path.start_with?("/assets/") ? asset(env) : page(env)
        end

        private

        # Names of assets carry a digest of what they hold.
        def asset(env)
          status, headers, body = @files.call(env)
          headers["cache-control"] = FOREVER if status == 200
          [status, headers, body]
        end

        def page(env)
          html = FOLDER.join("index.html").read.sub("{{nonce}}", env.fetch(SecurityHeaders::NONCE))
          [200, {"content-type" => "text/html; charset=utf-8", "cache-control" => "no-store"}, [html]]
        rescue Errno::ENOENT
          [503, {"content-type" => "text/plain"}, ["The front end isn't built yet. Run bin/setup."]]
        end
      end
    end
  end
end
