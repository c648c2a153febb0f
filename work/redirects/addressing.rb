# frozen_string_literal: true

module IronTrellis
  module Work
    module Redirects
      # Addresses of a redirect map as people write them: a path is one of the site's main host.
      module Addressing
        WHOLE = %r{\Ahttps?://}i

        module_function

        # @param site [Store::Sites::Site]
        # @param route [Hash] {"subject", "value"}
        # @return [Hash] the same with whole addresses; patterns stay as they are
        def of_site(site, route)
          value = route["value"]
          return route if value.is_a?(Hash) && value["kind"] == "pattern"

          whole = ->(address) { whole(site, address) }
          route.merge(
            "subject" => whole.call(route["subject"]),
            "value" => value.is_a?(Hash) ? value.merge("to" => whole.call(value["to"])) : value
          )
        end

        # @param site [Store::Sites::Site]
        # @param address [String, nil]
        # @return [String, nil]
        def whole(site, address)
          return address unless address.to_s.strip.start_with?("/")

          Core::Url::Resolver.new(Core::Url::NormalForm.parse(site.crawl_settings.first_urls.first)).call(
            address.strip
          ) || address
        end
      end
    end
  end
end
