# frozen_string_literal: true

require "json"
require "tempfile"

module IronTrellis
  module Api
    module Http
      # What the routes share.
      module Helpers
        # @return [Hash] the request's JSON body
        # @raise [Core::Error::InvalidInput]
        def body_json
          @body_json ||= JSON.parse(request.body.tap(&:rewind).read).tap { |value| Readable.check(value) }
        rescue JSON::ParserError, EncodingError
          raise Core::Error::InvalidInput.new("The body of the request is not JSON.")
        end

        # @return [Hash] the request's JSON body, empty where none was sent
        def optional_json = request.body.read.empty? ? {} : body_json

        # @yieldparam file [File] what was sent as the body of the request, which is never in memory whole
        # @return [Object] what the block gives
        def sent_file
          Tempfile.create("sent", binmode: true) do |file|
            IO.copy_stream(request.body.tap(&:rewind), file)
            file.rewind
            yield file
          end
        end

        def json(value) = JSON.generate(value)

        # Has a worker do what would hold this thread.
        #
        # @param kind [Module] of Work::Tasks::Kinds
        # @param quick [Boolean]
        # @param input [Hash{Symbol => Object}]
        # @return [String] JSON: by which number the answer can be asked for
        def ask(kind, quick: true, **input)
          status 202
          json(task: Work::Tasks::TaskQueue.ask(kind, input, now: now, quick: quick).id)
        end

        def now = settings.clock

        # @return [Store::Accounts::User, nil]
        def user = @user ||= env[Gate::USER]

        def site = @site ||= Store::Sites::Site.fetch(params[:site])

        # PostgreSQL's bigint.
        URL_IDS = (-(2**63)..(2**63 - 1))

        # @return [Integer] the URL of the path
        # @raise [Core::Error::NotFound] where no URL can have such a number
        def url_id
          number = Integer(params[:url])
          return number if URL_IDS.cover?(number)

          raise Core::Error::NotFound.new("There is no URL with the number #{number}.")
        end

        def crawl = @crawl ||= Store::Crawling::Crawl.fetch(params[:crawl])

        # @return [Store::Judging::VerdictRun]
        # @raise [Core::Error::Conflict] where the crawl isn't judged yet
        def run = run_of(crawl)

        def run_of(crawl)
          crawl.verdict_run ||
            raise(
              Core::Error::Conflict.new("Crawl #{crawl.number} isn't judged yet. It can be read when it is finished.")
            )
        end

        # @return [Store::Ledger::Conditions]
        def conditions = conditions_of(params[:where])

        # @param text [String, nil] JSON
        # @return [Store::Ledger::Conditions]
        def conditions_of(text) = Store::Ledger::Conditions.new(tree(text))

        # @param text [String, nil] JSON
        # @return [Hash, nil] a tree of conditions
        def tree(text)
          text.to_s.empty? ? nil : JSON.parse(text)
        rescue JSON::ParserError
          raise Core::Error::InvalidInput.new("The conditions in “where” are not JSON.")
        end

        # @param name [String] with its ending
        # @return [void] the answer is a file named after the site
        def file_of(site, name) = attachment("#{site.name.downcase.gsub(/[^a-z0-9]+/, "-")}-#{name}")

        # A table as a file. It is made whole before it is sent, so that what goes wrong can still be told, and sent
        # piece by piece.
        #
        # @param site [Store::Sites::Site]
        # @param name [String]
        # @param columns [Array<String>]
        # @param rows [Enumerable<Array>]
        # @param format [String] csv, xlsx or jsonl
        # @return [SentFile]
        def table_file(site, name, columns, rows, format:)
          table = Ports::Tables.named(format)
          file = Tempfile.new([name, ".#{format}"])
          table.write(file.path, columns, rows)
          content_type table::TYPE
          file_of(site, "#{name}.#{format}")
          SentFile.new(file)
        end

        def problem(error)
          problem = Problem.of(error)
          status problem.status
          content_type Problem::TYPE
          halt json(problem.to_h)
        end
      end
    end
  end
end
