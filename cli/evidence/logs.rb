# frozen_string_literal: true

require "ipaddr"
require "json"

module IronTrellis
  module Cli
    module Evidence
      # The command evidence logs.
      class Logs
        # @param paths [Array<String>]
        # @param options [Hash] of the command line
        def initialize(paths, options)
          @paths = paths
          @options = options
        end

        # @return [Integer] exit code
        def call
          raise Core::Error::InvalidInput.new("Give at least one log file.") if @paths.empty?

          verified = self.verified
          @paths.each { |path| InputFile.check(path) }
          Store::Postgres::Database.prepare
          site = Sites::Named.named(@options["site"])
          result =
            Work::Evidence::Logs
              .new(site, verified: verified, now: Time.now)
              .call(@paths) { |rows| warn "#{rows} lines read" }
          @options["json"] ? puts(JSON.generate(result)) : print_table(result)
          Ending::DONE
        end

        private

        # @return [Hash{String => Array<IPAddr>}]
        def verified
          Array(@options["verified"])
            .map { |text| range(text) }
            .group_by(&:first)
            .transform_values { |all| all.map(&:last) }
        end

        def range(text)
          agent, address = text.split("=", 2)
          [agent, IPAddr.new(address.to_s)]
        rescue IPAddr::Error
          raise Core::Error::InvalidInput.new(
                  "“#{text}” isn't of the form AGENT=CIDR, such as examplebot=192.0.2.0/24."
                )
        end

        def print_table(result)
          Printed.table(
            %w[rows kept unchanged out_of_scope wrong from to],
            [result.values_at("rows", "kept", "unchanged", "out_of_scope", "wrong_count", "from", "to")]
          )
          agents = result["agents"].map { |name, told| [name, *told.values_at("requests", "verified")] }
          Printed.table(%w[agent requests verified], agents) if agents.any?
          result["wrong"].each { |one| puts "#{one["file"]}, line #{one["line"]}: #{one["why"]}" }
        end
      end
    end
  end
end
