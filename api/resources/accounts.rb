# frozen_string_literal: true

require "rack/protection"

module IronTrellis
  module Api
    module Resources
      # Signing in and out, and the first account.
      module Accounts
        # What a session looks like.
        module View
          def session_json
            json(
              user: user && Views::User.new(user).to_h,
              first_start: Store::Accounts::User.none?,
              csrf_token: Rack::Protection::AuthenticityToken.token(session)
            )
          end

          # A new session for each sign-in, so that one that was planted before is worth nothing.
          def begin_session(user, token)
            session.clear
            session.options[:renew] = true
            session["token"] = token
            @user = user
          end
        end

        def self.registered(app)
          app.helpers View

          app.get("/api/session") { session_json }

          app.post("/api/session") do
            person = body_json.slice("email", "password").transform_keys(&:to_sym)
            begin_session(*Work::Accounts::SigningIn.call(**person, now: now))
            session_json
          end

          app.delete("/api/session") do
            Work::Accounts::SigningIn.end(session["token"])
            session.clear
            env[Http::Gate::USER] = @user = nil
            session_json
          end

          app.post("/api/accounts") do
            person = body_json.slice("email", "name", "password").transform_keys(&:to_sym)
            begin_session(*Work::Accounts::SigningIn.register_first(person, now: now))
            status 201
            session_json
          end
        end
      end
    end
  end
end
