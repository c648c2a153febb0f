# frozen_string_literal: true

require "digest"

module IronTrellis
  module Core
    module Faults
      # One thing found wrong, by one rule, on one URL. `about` is the other URL, line or text concerned;
      # `detail` holds what a person wants to know besides.
      Fault = Struct.new(:code, :grade, :url, :about, :detail, keyword_init: true) do
        # @param site_id [Integer]
        # @param stable_about [String, nil] what it is about, as far as that stays the same from crawl to crawl
        # @return [Integer] signed 64 bits under which the same fault is known again in later crawls
        def identity(site_id, stable_about)
          Digest::SHA256.digest([site_id, code, url, stable_about].join("\0")).unpack1("q>")
        end
      end
    end
  end
end
