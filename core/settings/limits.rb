# frozen_string_literal: true

module IronTrellis
  module Core
    module Settings
      # The thresholds of a site, some of which may be others for some page groups.
      class Limits
        # @param site [Hash{String => Numeric}] what differs from the defaults
        # @param groups [Hash{String => Hash}] what differs from the site's, by group
        # @raise [Problems]
        def initialize(site, groups)
          @site = Thresholds.new(site)
          @groups =
            groups.reject { |_, given| given.empty? }.transform_values { |given| Thresholds.new(given, base: @site) }
        end

        # @param group [String]
        # @return [Thresholds]
        def for(group) = @groups.fetch(group, @site)

        # @param name [Symbol]
        # @return [Numeric] the least of one threshold, over the site and all groups
        def least(name) = [@site, *@groups.values].map(&name).min

        # @return [Hash] for a digest
        def to_h = {site: @site.to_h, groups: @groups.transform_values(&:to_h)}
      end
    end
  end
end
