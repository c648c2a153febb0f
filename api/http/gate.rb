# frozen_string_literal: true

require "json"

module IronTrellis
  module Api
    module Http
      # What stands before the API: a request that can't be meant for us, of nobody we know, too large, or one too many
      # at once is answered before its body is read.
      class Gate
        # What may be asked without being signed in.
        OPEN = %w[/api/session /api/accounts].freeze
        LOCAL = %w[127.0.0.1 localhost ::1].freeze
        MOST_BYTES = 1_000_000
        # Routes that take files or lists.
        MOST_BYTES_OF = {
          %r{\A/api/trials/sitemap\z} => 55_000_000,
          %r{/import\z} => 16_000_000,
          %r{/evidence/files\z} => 2_000_000_000,
          %r{\A/api/sites/[^/]+/crawls\z} => 16_000_000,
          %r{\A/api/sites/[^/]+/decisions\z} => 16_000_000,
          %r{\A/api/trials/scope\z} => 16_000_000
        }.freeze
        OUTSIDE = %r{/image\z}
        # A name or an address, and a port (RFC 9110, section 7.2); nobody's name stands before it.
        HOST = /\A(?:\[[\h:.]+\]|[a-z0-9._-]+)(?::\d{1,5})?\z/i
        USER = "iron_trellis.user"

        # @param app [#call]
        # @param hosts [Array<String>] names under which the application may be asked, without ports
        # @param clock [#call]
        def initialize(app, hosts:, clock:)
          @app = app
          @hosts = hosts
          @clock = clock
          @places = Places.new
        end

        # @return [Array<String>] TRELLIS_HOSTS, separated by commas, else this machine's own names
        def self.hosts = ENV["TRELLIS_HOSTS"]&.split(",")&.map(&:strip) || LOCAL

        # @param path [String]
        # @return [Integer] how many bytes a body may have there
        def self.most_bytes(path) = MOST_BYTES_OF.find { |pattern, _| pattern.match?(path) }&.last || MOST_BYTES

        # @param env [Hash]
        # @return [Array] Rack response
        def call(env)
          request = Rack::Request.new(env)
          return @app.call(env) unless request.path_info.start_with?("/api/")

          Store::Postgres::Database.revive
          env[USER] = Store::Accounts::Session.user_of(env["rack.session"]["token"], @clock.call)
          refusal(request, env) || within(places(request, env[USER])) { @app.call(env) }
        rescue Store::Postgres::Database::Unavailable => error
          problem(503, "unavailable", error.message)
        end

        private

        def refusal(request, env)
          unless HOST.match?(request.host_with_port)
            return problem(400, "invalid-input", "The request names no host that there could be.")
          end
          unless @hosts.include?(request.host.delete("[]").downcase)
            return (
              problem(
                403,
                "wrong-host",
                "This application isn't called “#{request.host}”. Its names are told by TRELLIS_HOSTS."
              )
            )
          end
          unless own_origin?(request)
            return problem(403, "wrong-origin", "A page of another site may not ask this application.")
          end
          return problem(400, "invalid-input", "The address holds bytes that are no text.") unless readable?(request)
          unless env[USER] || OPEN.include?(request.path_info)
            return problem(401, "not-signed-in", "Sign in to see this.")
          end

          most = self.class.most_bytes(request.path_info)
          if request.content_length.to_i > most
            problem(
              413,
              "too-large",
              "This may be #{most / 1_000_000} MB at most; what was sent " \
              "has #{(request.content_length.to_i / 1_000_000.0).round(1)} MB."
            )
          end
        end

        def own_origin?(request)
          origin = request.get_header("HTTP_ORIGIN") or return true

          origin.delete_prefix("http://").delete_prefix("https://") == request.host_with_port
        end

        # Neither text that isn't UTF-8 nor a NUL, which PostgreSQL can't hold.
        def readable?(request)
          [request.path_info, request.query_string].all? do |part|
            text = Rack::Utils.unescape_path(part.to_s.b).force_encoding(Encoding::UTF_8)
            text.valid_encoding? && !text.include?("\0")
          end
        end

        def places(request, user)
          [
            ([:person, user.id] if user),
            ([:large] if request.content_length.to_i > MOST_BYTES),
            ([:outside] if OUTSIDE.match?(request.path_info))
          ].compact
        end

        def within(places)
          unless @places.take(places)
            return (
              problem(503, "busy", "Too much is being worked out at once. Try again in a moment.", "retry-after" => "1")
            )
          end

          begin
            yield
          ensure
            @places.give_back(places)
          end
        end

        def problem(status, code, detail, headers = {})
          body = JSON.generate(Problem.new(code: code, status: status, detail: detail).to_h)
          [status, {"content-type" => Problem::TYPE, "cache-control" => "no-store"}.merge(headers), [body]]
        end
      end
    end
  end
end
