# frozen_string_literal: true

require "active_record"
require "committee"
require "pg"
require "rack/attack"
require "rack/protection"
require "rack/session"
require "sinatra/base"

module IronTrellis
  module Api
    # JSON over HTTP, described by openapi.yaml; requests are held to it. One file a resource, in resources/.
    class App < Sinatra::Base
      STATEMENT_SECONDS = 10
      CONTRACT = ROOT.join("api/openapi.yaml").to_s

      configure do
        set :show_exceptions, false
        set :raise_errors, false
        set :dump_errors, false
        set :protection, false
        set :host_authorization, {}
        set :clock, -> { Time.now }
      end

      use Rack::Protection::AuthenticityToken, reaction: :deny, logger: nil
      use Committee::Middleware::RequestValidation,
        schema_path: CONTRACT,
        prefix: "/api",
        strict_reference_validation: true,
        error_class: Http::ContractError,
        coerce_date_times: false,
        parse_response_by_content_type: false

      helpers Http::Helpers
      Dir[ROOT.join("api/resources/*.rb")].sort.each do |file|
        register Resources.const_get(File.basename(file, ".rb").split("_").map(&:capitalize).join)
      end

      before do
        content_type :json
        headers "cache-control" => "no-store"
      end

      error(Core::Error) { |error| problem(error) }

      error(
        PG::ConnectionBad,
        PG::UnableToSend,
        ActiveRecord::ConnectionNotEstablished,
        ActiveRecord::ConnectionFailed
      ) { |error| problem(Store::Postgres::Database.lost(error)) }

      # A statement that took longer than any may (Store::Postgres::Database.connect).
      error(PG::QueryCanceled, ActiveRecord::QueryCanceled) do
        problem(
          Core::Error::TooMuch.new(
            "This took longer than #{STATEMENT_SECONDS} s and was given up. Narrow it: fewer conditions that look " \
            "into texts, or fewer URLs."
          )
        )
      end

      error do |error|
        warn error.full_message(highlight: false)
        problem(
          Core::Error.new(
            "Something went wrong on our side. It was written to the server's log; try again, and tell us if it stays."
          )
        )
      end

      not_found { problem(Core::Error::NotFound.new("There is nothing at #{request.path_info}.")) }
    end
  end
end
