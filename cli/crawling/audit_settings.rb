# frozen_string_literal: true

module IronTrellis
  module Cli
    module Crawling
      # What the command audit is told of the site, as settings of its crawl.
      class AuditSettings
        # @param start_urls [Array<String>]
        # @param options [Hash] of the command line
        def initialize(start_urls, options)
          @start_urls, @options = start_urls, options
        end

        # @return [Hash{String => Object}] values of Core::Settings::Crawl
        def crawl
          plain =
            %w[
              limit
              max_depth
              rate
              concurrency
              agent
              ignore_robots
              allow_private
              include
              exclude
              check_external
            ].to_h { |name| [name, @options[name]] }
          # Who says how fast to ask has decided about the crawl-delay of robots.txt, too.
          plain.merge(
            "start_urls" => @start_urls,
            "hosts" => @options["host"],
            "rendering" => @options["render"] ? "rendered" : nil,
            "resolve" => Resolved.of(@options["resolve"]),
            "keep_crawl_delay" => @options["rate"].nil?
          )
        end

        # @return [Array<Hash>] pattern and intent
        # @raise [Core::Error::InvalidInput]
        def intents
          (@options["intent"] || []).map do |text|
            pattern, _, intent = text.rpartition("=")
            next {"pattern" => pattern, "intent" => intent} if %w[index keep_out].include?(intent) && !pattern.empty?

            raise Core::Error::InvalidInput.new(
                    "--intent #{text} can't be read. Write PATTERN=index or PATTERN=keep_out."
                  )
          end
        end
      end
    end
  end
end
