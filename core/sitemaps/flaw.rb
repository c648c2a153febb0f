# frozen_string_literal: true

module IronTrellis
  module Core
    module Sitemaps
      # One thing wrong in a sitemap file: the code of its rule, the line (nil where it is of the whole file), and what
      # it is about (a URL or a text).
      Flaw = Struct.new(:code, :line, :about, keyword_init: true)
    end
  end
end
