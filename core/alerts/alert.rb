# frozen_string_literal: true

module IronTrellis
  module Core
    module Alerts
      # One thing that somebody has to hear of: its `kind`, a `key` by which it is told once only, `what` as a sentence,
      # which URLs (`urls`, some of `count`), and the `screen` that shows them ("read/ledger", with its query).
      Alert = Struct.new(:kind, :key, :what, :urls, :count, :screen, keyword_init: true)

      # The kinds, with what each is about.
      Alert.const_set(
        :KINDS,
        {
          "page-fell" => "An important page stops that didn't",
          "rung-lost" => "Many wanted pages stop at once",
          "robots-changed" => "robots.txt has changed",
          "noindex-appeared" => "noindex on many pages",
          "sitemap-broke" => "A sitemap can't be read any more",
          "fix-returned" => "What was proved is broken again",
          "hide-ends" => "A hide ends soon",
          "quota-unused" => "Requests to an index lie unused"
        }.freeze
      )
      # From where on something is told, unless a site says otherwise (ours).
      Alert.const_set(
        :LIMITS,
        {"importance" => 70, "rung_percent" => 5, "noindex_pages" => 10, "hide_days" => 14}.freeze
      )
    end
  end
end
