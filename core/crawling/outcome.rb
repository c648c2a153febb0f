# frozen_string_literal: true

module IronTrellis
  module Core
    module Crawling
      # What became of one URL of the frontier: what robots.txt said, the answer (nil where it wasn't asked for), and
      # what was read in it; and where it was rendered, the Rendering::Reading.
      Outcome = Struct.new(:item, :decision, :answer, :facts, :redirect_to, :reading, keyword_init: true) do
        def fetched? = !answer.nil?

        # @return [Integer, nil] how many links and forms it shows; nil where nothing was read
        def ways_on = facts&.links&.count { |link| %w[anchor form].include?(link.type) }
      end
    end
  end
end
