# frozen_string_literal: true

module IronTrellis
  module Core
    module Settings
      # Everything that a crawl is told, but for secrets, validated in this one place. Kept as JSON with the site and
      # with each crawl.
      class Crawl
        extend CrawlFields

        FIELDS =
          [*scope_fields, *fetch_fields, *speed_fields, *identity_fields].to_h { |field| [field.name, field] }.freeze
        # How pages are read.
        RENDERINGS = CrawlFields::RENDERINGS
        # How URLs come into the crawl.
        MODES = CrawlFields::MODES

        FIELDS.each_key { |name| define_method(name) { @values[name] } }

        # @return [Hash{String => Object}] the default of every setting
        def self.defaults = FIELDS.transform_values(&:default)

        # @param values [Hash{String => Object}] what differs from the defaults; others are filled in
        # @raise [Problems] with every problem found
        def initialize(values)
          given = self.class.defaults.merge(values.slice(*FIELDS.keys).compact)
          problems = Problems.of(FIELDS, given)
          if given["start_urls"] == [] && given["list"] == []
            problems << {
              field: "start_urls",
              message: "Give at least one start URL, like https://www.example.test/ or example.test."
            }
          end
          raise Problems.new(problems) if problems.any?

          @values = FIELDS.to_h { |name, field| [name, field.clean(given[name])] }.freeze
        end

        # @return [Hash{String => Object}] all settings, for keeping
        def to_h = @values

        # @return [Array<String>] the URLs with which the crawl begins
        def first_urls = (mode == "list" && list.any?) ? list : start_urls.map { |text| Start.url(text) }

        # @return [Boolean] whether it must be found out first where the crawl begins
        def start_to_find? = start_urls.any? { |text| Start.bare?(text) }

        # @return [Url::Scope] the hosts of the first URLs and those named, narrowed by folders and patterns
        def scope
          Url::Scope.new(
            hosts: start_hosts + hosts,
            folders: folders,
            include: patterns(include),
            exclude: patterns(exclude)
          )
        end

        # @param address [String, nil] as people write one
        # @return [String, nil] a path as an address of the site's main host; anything else as it is
        def whole(address)
          return address unless address.to_s.strip.start_with?("/")

          Url::Resolver.new(Url::NormalForm.parse(first_urls.first)).call(address.strip) || address
        end

        # @return [String] the host whose folders name groups without it
        def main_host = start_hosts.first

        # @return [String] the User-Agent header
        def user_agent = agent_header.empty? ? "#{agent}/#{VERSION} (site audit)" : agent_header

        # @return [Url::DroppedParameters, nil]
        def dropped_parameters = drop_parameters.any? ? Url::DroppedParameters.new(drop_parameters) : nil

        # @return [Array<String>] the kinds of resources that are checked
        def resources = {"image" => images, "script" => scripts, "style" => styles}.select { |_, wanted| wanted }.keys

        private

        def start_hosts = first_urls.map { |url| Url::NormalForm.parse(url).authority }.uniq

        def patterns(sources) = sources.map { |source| Url::Pattern.new(source) }
      end
    end
  end
end
