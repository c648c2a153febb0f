# frozen_string_literal: true

module IronTrellis
  module Cli
    module Crawling
      # Where requests go by --resolve: "HOST:PORT:ADDRESS", whose address may have a port.
      module Resolved
        module_function

        # @param texts [Array<String>, nil]
        # @return [Hash{String => String}] "host:port" => "address"
        # @raise [Core::Error::InvalidInput]
        #   Resolved.of(["a.test:80:127.0.0.1:8080"]) # => {"a.test:80" => "127.0.0.1:8080"}
        def of(texts)
          (texts || []).to_h do |text|
            host, port, address = text.split(":", 3)
            unless address
              raise Core::Error::InvalidInput.new(
                      "--resolve #{text} can't be read. Write HOST:PORT:ADDRESS, for example " \
                      "www.example.test:80:127.0.0.1:8080."
                    )
            end

            ["#{host.downcase}:#{port}", address]
          end
        end
      end
    end
  end
end
