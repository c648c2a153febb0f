# frozen_string_literal: true

require "securerandom"

module IronTrellis
  module Api
    module Http
      # Says to browsers that nothing may be loaded from elsewhere, unless the answer says something stricter itself;
      # styles that Emotion writes carry the request's nonce.
      class SecurityHeaders
        NONCE = "iron_trellis.nonce"

        # @param app [#call]
        def initialize(app)
          @app = app
        end

        # @param env [Hash]
        # @return [Array]
        def call(env)
          env[NONCE] = SecureRandom.base64(18)
          status, headers, body = @app.call(env)
          headers["content-security-policy"] ||= policy(env[NONCE])
          headers["x-content-type-options"] = "nosniff"
          headers["referrer-policy"] = "same-origin"
          [status, headers, body]
        end

        private

        def policy(nonce)
          "default-src 'none'; script-src 'self'; style-src 'self' 'nonce-#{nonce}'; img-src 'self' data:; font-src " \
          "'self'; connect-src 'self'; " \
            "base-uri 'none'; form-action 'self'; frame-ancestors 'none'"
        end
      end
    end
  end
end
