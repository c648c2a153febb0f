# frozen_string_literal: true

module IronTrellis
  module Core
    module Intents
      class Proposals
        # What is known of one page. `unique_share` is the share of its words that no other page has; `bare_title` is
        # the title of the page at its address without parameters; `anchors` are what links call it; `formed` is whether
        # a form leads there, `paged` whether it names a page before or after it; `limits` are its group's thresholds.
        Page =
          Struct.new(
            :url,
            :title,
            :group,
            :words,
            :unique_share,
            :indexable,
            :in_sitemap,
            :key_page,
            :visited,
            :kind,
            :content_type,
            :copy,
            :links_in,
            :password,
            :formed,
            :paged,
            :anchors,
            :bare_title,
            :canonical_to_bare,
            :limits,
            keyword_init: true
          ) do
            # @return [Boolean] whether somebody or something says that it matters
            def valued? = in_sitemap || key_page || visited || false

            def little_of_its_own? = !unique_share.nil? && unique_share < limits.little_unique_share

            def thin? = !words.nil? && words < limits.thin_words
          end
      end
    end
  end
end
