# frozen_string_literal: true

require "puma"
require "puma/null_io"
require "puma/client"

module IronTrellis
  module Api
    module Http
      # Puma writes a body to disk before the application sees the request. What is larger than its route takes, and
      # what is large and comes without a session, is refused by its head; what doesn't tell its length, too.
      module BodyLimits
        private

        def setup_body
          return super unless above_http_content_limit(@env["CONTENT_LENGTH"].to_i)

          @http_content_length_limit_exceeded = true
          # What follows is no request.
          @env["HTTP_CONNECTION"] = "close"
          @buffer = nil
          @body = Puma::Client::EmptyBody
          set_ready
          true
        end

        def above_http_content_limit(value)
          signed_in = @env["HTTP_COOKIE"].to_s.include?(SessionCookie::NAME)
          value > (signed_in ? Gate.most_bytes(@env["REQUEST_PATH"].to_s) : Gate::MOST_BYTES)
        end

        def setup_chunked_body(_body) = raise(Puma::HttpParserError.new("A body must tell its length."))
      end
    end
  end
end
