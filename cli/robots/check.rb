# frozen_string_literal: true

require "json"

module IronTrellis
  module Cli
    module Robots
      # The command robots: tries a robots.txt, a file or one on the web, against URLs, and prints a JSON object a line.
      class Check
        # @param source [String] a file or a web address
        # @param options [Hash] agent, urls
        def initialize(source, options)
          @source = source
          @options = options
        end

        # @return [Integer] exit code
        def call
          unless Core::Settings::CrawlFields::TOKEN.match?(@options["agent"].to_s)
            raise Core::Error::InvalidInput.new(
                    "--agent #{@options["agent"]} is no product token: it may hold letters, hyphens and underscores " \
                    "only (RFC 9309)."
                  )
          end

          decisions.each { |decision| puts JSON.generate(decision) }
          Ending::DONE
        end

        private

        def decisions
          # A host that is named on the command line may be a private one.
          trial =
            Work::Robots::Preview.new(
              agent: @options["agent"],
              fetch: Work::Crawling::OneFetch.anywhere(agent: @options["agent"])
            )
          return trial.draft(text, urls) unless @source.match?(%r{\Ahttps?://}i)

          file, decisions = trial.live(@source, urls)
          warn "#{file.url}: #{file.error || "status #{file.status}"}" if file.text.nil?
          decisions
        end

        # Rules are compared by their octets (RFC 9309 section 2.2.2).
        def text = Core::Url::Percent.of_bytes(read(@source))

        def urls
          from = @options["urls"]
          text = (from && from != "-") ? read(from) : $stdin.read
          Core::Url::Percent.of_bytes(text).lines.map(&:strip).reject(&:empty?)
        end

        def read(path)
          File.binread(path)
        rescue SystemCallError
          raise Ending.new(
            "There is no file #{path} that can be read. Give a file, or a web address with http:// or https:// in " \
            "front.",
            Ending::COULD_NOT
          )
        end
      end
    end
  end
end
