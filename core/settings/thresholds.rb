# frozen_string_literal: true

module IronTrellis
  module Core
    module Settings
      # The limits that rules judge by; the defaults are those of the trade that the rules name.
      Thresholds = Struct.new(:title_long, :title_short, :description_long, :description_short, :h1_long, :heavy_bytes, :important, :few_links, :thin_words, :thin_share, :thin_group_pages, :word_floor, :little_own_share, :deep, :many_links, :slow_ms, :heavy_image, :many_to_one, keyword_init: true) do
        def self.default
          new(title_long: 60, title_short: 30, description_long: 155, description_short: 70, h1_long: 70, heavy_bytes: 2_000_000, important: 70, few_links: 3, thin_words: 120, thin_share: 1.0 / 3, thin_group_pages: 5, word_floor: 50, little_own_share: 0.25, deep: 4, many_links: 300, slow_ms: 2500, heavy_image: 200_000, many_to_one: 20).freeze
        end
      end
    end
  end
end
