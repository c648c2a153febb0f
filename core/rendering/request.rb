# frozen_string_literal: true

module IronTrellis
  module Core
    module Rendering
      # Something that a page asked for while it was rendered: its `url`, the `type` as browsers tell it (Document,
      # Script, Stylesheet, Image, Font, XHR, Fetch …), what became of it (`outcome`) and `why`, its `status`, `bytes`
      # and `ms`.
      Request =
        Struct.new(:url, :type, :outcome, :why, :status, :bytes, :ms, keyword_init: true) do
          # @return [Boolean]
          def document? = type == "Document"

          # @return [Boolean]
          def redirect? = !status.nil? && (300..399).cover?(status)

          # @return [Hash{String => Object}] as JSON has it
          def as_json(*) = to_h.transform_keys(&:to_s)
        end
      Request.const_set(:LOADED, "loaded")
      # It couldn't be had.
      Request.const_set(:FAILED, "failed")
      # robots.txt keeps the crawler's agent from it.
      Request.const_set(:BLOCKED, "blocked")
      # It wasn't asked for: another scheme or method, or beyond the bounds of a page.
      Request.const_set(:REFUSED, "refused")
    end
  end
end
