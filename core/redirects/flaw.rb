# frozen_string_literal: true

module IronTrellis
  module Core
    module Redirects
      # One thing wrong in a redirect map: the code, the source of the route concerned, and what it is about (a target
      # or a status; nil where nothing more is to be said).
      Flaw = Struct.new(:code, :from, :about, keyword_init: true)
    end
  end
end
