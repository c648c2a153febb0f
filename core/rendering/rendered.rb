# frozen_string_literal: true

module IronTrellis
  module Core
    module Rendering
      # A page after its scripts, as a browser had it.
      #
      #   url: asked for, final_url: where scripts and redirects led, answer: Crawling::Answer of the document itself,
      #   html: serialised afterwards, text: "Anchor lights\nHung forward" (what is visible, a block a line), console:
      #   [{"level" => "error", "text" => "lamps is not defined", "url" => "…", "line" => 3}], requests: [Request],
      #   layouts: [Layout], timings: {"first_byte" => 12, "content" => 80, "load" => 120, "quiet" => 640}
      #   (milliseconds since it began), ended_by: one of ENDINGS, screenshot: bytes of a WebP picture, error: nil, or
      #   one of ERRORS with error_detail in words, missing: {"screenshot" => "the page stopped answering"} (what of it
      #   couldn't be had, and why)
      Rendered =
        Struct.new(
          :url,
          :final_url,
          :agent,
          :width,
          :answer,
          :html,
          :text,
          :console,
          :requests,
          :layouts,
          :timings,
          :ended_by,
          :screenshot,
          :error,
          :error_detail,
          :missing,
          keyword_init: true
        ) do
          # @return [Integer, nil] of the document
          def status = answer&.status

          # @return [Boolean] whether scripts led to another address
          def moved_by_script? = !html.nil? && !final_url.nil? && final_url != document_url

          # @return [String] the address that answered with the document
          def document_url = requests.find { |one| one.document? && !one.redirect? }&.url || url
        end

      # How long it went on: until the network was quiet, until the time was up, until it had gone from page to page
      # too often, or until it stopped answering.
      Rendered.const_set(:ENDINGS, %w[quiet time navigations hung].freeze)
      # Why there is nothing: no answer, robots.txt, no page of HTML, or it took the browser with it.
      Rendered.const_set(:ERRORS, %w[no_answer blocked not_html hung crashed memory unavailable].freeze)
    end
  end
end
