# frozen_string_literal: true

module IronTrellis
  module Core
    module Languages
      # One page says which URL is for readers of one language. `source` is html, header, sitemap or csv; `line` is
      # where it stands in a file.
      Annotation = Struct.new(:url, :code, :target, :source, :relative, :line, keyword_init: true)
    end
  end
end
