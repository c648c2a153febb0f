# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      # One thing found wrong, by one rule, on one URL. `about` is the other URL, line or text concerned;
      # `detail` holds what a person wants to know besides.
      Fault = Struct.new(:code, :grade, :url, :about, :detail, keyword_init: true) do
        # @param site_id [Integer]
        # @return [Integer] under which the same fault is known again in later crawls (Key)
        def key(site_id) = Key.of(site_id, code, url, Registry.fetch(code).identity(self))
      end
    end
  end
end
