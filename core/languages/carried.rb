# frozen_string_literal: true

module IronTrellis
  module Core
    module Languages
      # What one page has to carry: its `lines`, a URL by code, of its `set`.
      Carried = Struct.new(:url, :lines, :set)
    end
  end
end
