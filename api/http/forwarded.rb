# frozen_string_literal: true

module IronTrellis
  module Api
    module Http
      # What a header says of where a request came from and for whom it was meant (RFC 7239, and the X-Forwarded- ones
      # before it) anybody can write: it is believed of connections from proxies that whoever runs this named, and taken
      # away from all others, before anything looks at it.
      class Forwarded
        SAID = /\AHTTP_(?:X_)?FORWARDED(?:_|\z)/
        PROXIES = "TRELLIS_PROXIES"

        # @param app [#call]
        # @param proxies [Array<String>] their addresses
        def initialize(app, proxies: self.class.proxies)
          @app = app
          @proxies = proxies
        end

        # @return [Array<String>] TRELLIS_PROXIES, separated by commas
        def self.proxies = ENV[PROXIES].to_s.split(",").map(&:strip).reject(&:empty?)

        # @param env [Hash]
        # @return [Array] Rack response
        def call(env)
          env.delete_if { |name, _| SAID.match?(name) } unless @proxies.include?(env["REMOTE_ADDR"])
          @app.call(env)
        end
      end
    end
  end
end
