# frozen_string_literal: true

require "active_support"
require "active_support/cache"
require "fileutils"
require "json"
require "puma"
require "puma/null_io"
require "puma/client"
require "rack/attack"
require "rack/session"
require "securerandom"

module IronTrellis
  module Api
    # The whole web server as one Rack application: session, rate limits, the API under /api, and the front end.
    module Server
      TRIES = 10
      MOST_SIGN_IN_BYTES = 10_000

      module_function

      # @return [#call]
      def application
        limits = rate_limits
        hosts = Http::Gate.hosts
        secret = session_secret
        Puma::Client.prepend(Http::BodyLimits)
        Rack::Builder.new do
          use Http::Forwarded
          use Http::SecurityHeaders
          use Rack::Session::Cookie,
            key: Http::SessionCookie::NAME,
            secret: secret,
            httponly: true,
            same_site: :lax,
            expire_after: 30 * 86_400
          use limits
          use Http::Gate, hosts: hosts, clock: -> { App.clock }
          # Not mapped by URL: the API's own paths are whole, as in the contract. Only the API asks the database.
          run Rack::Cascade.new([Http::FrontEnd.new, Http::Leaving.new(App)])
        end.to_app
      end

      # Sign-in may be tried ten times a minute from one address, and for one account. The address is that of the
      # connection: what a header says of it anybody can write.
      def rate_limits
        Rack::Attack.cache.store = ActiveSupport::Cache::MemoryStore.new
        Rack::Attack.throttle("sign-in by address", limit: TRIES, period: 60) do |request|
          request.get_header("REMOTE_ADDR") if sign_in?(request)
        end
        Rack::Attack.throttle("sign-in by account", limit: TRIES, period: 60) do |request|
          account(request) if sign_in?(request)
        end
        Rack::Attack.throttled_responder = lambda do |_request|
          problem =
            Http::Problem.new(
              code: "too-many-tries",
              status: 429,
              detail: "Too many tries to sign in. Wait a minute and try again."
            )
          [429, {"content-type" => Http::Problem::TYPE, "retry-after" => "60"}, [JSON.generate(problem.to_h)]]
        end
        Rack::Attack
      end

      # Kept beside the data so that sessions outlive a restart; SESSION_SECRET names one for several servers.
      def session_secret
        return ENV["SESSION_SECRET"] if ENV["SESSION_SECRET"]

        file = ROOT.join("var/session_secret")
        FileUtils.mkdir_p(file.dirname)
        File.write(file, SecureRandom.hex(64), perm: 0o600) unless file.exist?
        file.read
      end

      def sign_in?(request) = request.path == "/api/session" && request.post?

      def account(request)
        return if request.content_length.to_i > MOST_SIGN_IN_BYTES

        text = request.body.read
        request.body.rewind
        JSON.parse(text)["email"].to_s.strip.downcase
      rescue JSON::ParserError, TypeError, NoMethodError
        nil
      end
      private_class_method :rate_limits, :session_secret, :sign_in?, :account
    end
  end
end
