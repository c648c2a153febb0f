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
          def begin_session(user)
            session.clear
            session.options[:renew] = true
            session["token"] = Store::Accounts::Session.begin(user, now)
            @user = user
          end
        end

        def self.registered(app)
          app.helpers View

          app.get("/api/session") { session_json }

          app.post("/api/session") do
            begin_session(Store::Accounts::User.sign_in(email: body_json["email"], password: body_json["password"]))
            session_json
          end

          app.delete("/api/session") do
            Store::Accounts::Session.end(session["token"])
            session.clear
            env[Http::Gate::USER] = @user = nil
            session_json
          end

          app.post("/api/accounts") do
            begin_session(
              Store::Accounts::User.register_first(
                **body_json.slice("email", "name", "password").transform_keys(&:to_sym)
              )
            )
            status 201
            session_json
          end
        end
      end
    end
  end
end
