# frozen_string_literal: true

module IronTrellis
  module Core
    module Url
      # The host of a URL as it is written, for gathering what lies together.
      module Authority
        WRITTEN = %r{\Ahttps?://(?:[^/@]*@)?([^/?#]+)}

        # @param url [String, nil]
        # @return [String, nil] its host, with the port where that is told
        #   Authority.of("http://a.test:8080/x") # => "a.test:8080"
        def self.of(url) = url.to_s[WRITTEN, 1]
      end
    end
  end
end
