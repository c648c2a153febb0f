# frozen_string_literal: true

require "time"

module IronTrellis
  module Core
    module Crawling
      # What came back from one request. `status` is nil where no answer came; `error` is then, or where the answer
      # could not be used, one of dns, connect, closed, tls, timeout, too_large, malformed, with `error_detail` in
      # words. `body` holds decoded bytes (those up to the limit where the answer was too large), `header_lines` the raw
      # lines in order, `first_byte_ms` the time to the first byte (nil where none came), `response_ms` the whole time.
      Answer =
        Struct.new(
          :status,
          :header_lines,
          :body,
          :error,
          :error_detail,
          :first_byte_ms,
          :response_ms,
          keyword_init: true
        ) do
          # @return [Page::HeaderLines]
          def headers = @headers ||= Page::HeaderLines.new(header_lines)

          # @return [Boolean] whether it says that the address is elsewhere
          def redirect? = !status.nil? && (300..399).cover?(status) && status != 304

          # @param parts [Url::Parts] the address that answered
          # @return [Url::Parts, nil] where it is instead (RFC 9110 section 10.2.2); nil where it is no redirect, or one
          #   to no http(s) URL
          def leads_to(parts)
            location = headers.first("location") if redirect?
            location && Url::Resolver.new(parts).parts(location)
          end

          # @return [Boolean] whether nobody was there: the connection was refused, or no way leads to the host at the
          #   moment
          def unreachable? = error == "connect"

          # @return [Boolean] whether it may pass: the server asks for patience, or the connection failed it
          def transient? = [429, 503].include?(status) || %w[timeout closed].include?(error)

          # @param now [Time]
          # @return [Numeric, nil] seconds that the server asks to wait (Retry-After, RFC 9110 section 10.2.3)
          def retry_after(now)
            value = header_lines && headers.first("retry-after")
            return nil unless value
            return value.to_i if value.match?(/\A\d+\z/)

            [Time.httpdate(value) - now, 0].max
          rescue ArgumentError
            nil
          end
        end
    end
  end
end
