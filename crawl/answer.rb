# frozen_string_literal: true

module IronTrellis
  module Crawl
    # What came back from one request. `status` is nil where no answer came; `error` is then, or where the answer
    # could not be used, one of dns, connect, closed, tls, timeout, too_large, malformed, with `error_detail` in words.
    # `body` holds decoded bytes, `header_lines` the raw lines in order, `response_ms` the whole time.
    Answer = Struct.new(:status, :header_lines, :body, :error, :error_detail, :response_ms, keyword_init: true) do
      # @return [Core::Page::HeaderLines]
      def headers = Core::Page::HeaderLines.new(header_lines)

      # @return [Boolean] whether it says that the address is elsewhere
      def redirect? = !status.nil? && (300..399).cover?(status) && status != 304
    end
  end
end
