# frozen_string_literal: true

module IronTrellis
  module Core
    module Sitemaps
      # One URL that a file lists, as it stands there; `line` is where the entry begins, `extras` the elements of
      # extensions, each a Hash of texts by name with its kind, e.g. ["image", {"loc" => "…"}].
      Entry = Struct.new(:url, :line, :lastmod, :priority, :changefreq, :alternates, :extras, keyword_init: true)
    end
  end
end
