# frozen_string_literal: true

module IronTrellis
  module Core
    module Workplan
      # What tells that a fault of now is one of before: its code, its URL, and what it is about, as far as that stays
      # the same from crawl to crawl.
      module Sameness
        module_function

        # @param fault [Hash{String => String, nil}] code, url and about
        # @return [Array<String, nil>]
        #   Sameness.of({"code" => "title-long", "url" => "http://a.test/", "about" => "So long"}) # =>
        #     ["title-long", "http://a.test/", nil]
        def of(fault)
          code, url, about = fault.values_at("code", "url", "about")
          rule = Faults::Registry.find(code) or return [code, url, about]
          [code, url, rule.stable_about(Faults::Fault.new(code: code, about: about, detail: {}))]
        end
      end
    end
  end
end
