# frozen_string_literal: true

require "json"

module IronTrellis
  module Cli
    module Sites
      # The command groups: lists the page groups of a site, or proposes some by how its pages are built; takes those,
      # or the groups of a file.
      class Groups
        BY = "command line"
        WAIT_SECONDS = 0.2

        # @param options [Hash] site, propose, take, import, export, json
        def initialize(options)
          @options = options
        end

        # @return [Integer] exit code
        def call
          given = read if @options["import"]
          Store::Postgres::Database.prepare
          @site = Named.named(@options["site"])
          Named.crawl(@site, nil)
          replace(given || (groups.propose if @options["take"]))
          told = (@options["propose"] && !@options["take"]) ? groups.propose : groups.list
          return write(told) if @options["export"]

          @options["json"] ? Printed.json(told) : print_lines(told)
          Ending::DONE
        end

        private

        def groups = Work::Settings::PageGroups.new(@site.reload)

        # The newest crawl is judged by them before the command ends.
        def replace(given)
          return unless given

          Work::Runtime::Queue.connect
          groups.replace(given, by: BY, now: Time.now)
          crawl = @site.reload.newest_crawl
          # A worker may be at it already.
          sleep(WAIT_SECONDS) until Work::Judging::Judgement.alone(crawl, clock: -> { Time.now })
        end

        def read
          list = JSON.parse(InputFile.read(@options["import"]).force_encoding(Encoding::UTF_8))
          (list.is_a?(Array) && list.all? { |one| group?(one) }) ? list : wrong
        rescue JSON::ParserError, EncodingError
          wrong
        end

        def group?(one) =
          one.is_a?(Hash) && one["name"].is_a?(String) && (one["patterns"].nil? || strings?(one["patterns"])) &&
            [String, NilClass].any? { |type| one["template"].is_a?(type) }

        def strings?(list) = list.is_a?(Array) && list.all?(String)

        def wrong
          form = '[{"name": "Posts", "patterns": ["/posts/*"]}]'
          raise Core::Error::InvalidInput.new("#{@options["import"]} isn't a list of groups, such as #{form}.")
        end

        def write(told)
          File.write(@options["export"], "#{JSON.pretty_generate(told)}\n")
          puts "#{told.size} groups written to #{@options["export"]}"
          Ending::DONE
        end

        def print_lines(told)
          told.each do |one|
            by = one["patterns"].any? ? one["patterns"].join(", ") : by_template(one)
            puts "#{one["name"]}: #{one["pages"]} pages, #{one["intent"].tr("_", " ")}, by #{by}"
          end
        end

        def by_template(one) = one["template"] ? "template #{one["template"]}" : "their first folder"
      end
    end
  end
end
