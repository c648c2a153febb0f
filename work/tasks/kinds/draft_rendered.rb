# frozen_string_literal: true

module IronTrellis
  module Work
    module Tasks
      module Kinds
        # Renders a page with its draft in it.
        module DraftRendered
          CODE = "draft_rendered"
          DOING = "rendering a draft"

          module_function

          # @param input [Hash{String => Object}] site (id), page (id of its URL)
          # @return [Hash] screenshot (a WebP picture in Base64, nil where none came) and problem
          def call(input, now:)
            site = Store::Sites::Site.fetch(input["site"])
            rendered = Desk::DraftPreview.new(site, input["page"], now: now).call
            {screenshot: rendered.screenshot && [rendered.screenshot].pack("m0"), problem: rendered.error_detail}
          end
        end
      end
    end
  end
end
