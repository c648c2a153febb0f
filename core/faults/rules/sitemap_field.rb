# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # An entry for images, videos or news lacks what its extension requires.
        class SitemapField < SitemapFlawRule
          CODE = "sitemap-field"
          TITLE = "Sitemap entry lacks a required field"
          GRADE = "weakens"
          WHY = "What lacks a required field is passed over."
          FIX = "Add the field that is named, or take the extension out."
          KIND = "sitemaps"
          SOURCE = "definitions of the image, video and news extensions"
        end
      end
    end
  end
end
