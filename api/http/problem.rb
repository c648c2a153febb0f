# frozen_string_literal: true

module IronTrellis
  module Api
    module Http
      # Problem details for HTTP APIs (RFC 9457).
      class Problem
        TYPE = "application/problem+json"
        STATUSES = {
          Core::Error::InvalidInput => 422,
          Core::Error::TooMuch => 422,
          Core::Error::NotFound => 404,
          Core::Error::Conflict => 409,
          Core::Error::NotSignedIn => 401,
          Store::Postgres::Database::Unavailable => 503
        }.freeze
        TITLES = {
          400 => "The request can't be read",
          401 => "Sign in first",
          404 => "Not there",
          409 => "Not possible now",
          422 => "Something in it can't be used",
          403 => "Not allowed",
          413 => "Too large",
          429 => "Too many tries",
          503 => "Not possible at the moment",
          500 => "Our fault"
        }.freeze

        attr_reader :status

        # @param error [Core::Error]
        # @return [Problem]
        def self.of(error)
          status = STATUSES.find { |type, _| error.is_a?(type) }&.last || 500
          new(code: error.code, status: status, detail: error.message, problems: error.data[:problems])
        end

        # @param code [String]
        # @param status [Integer]
        # @param detail [String]
        # @param problems [Array<Hash>, nil] {field:, message:}
        def initialize(code:, status:, detail:, problems: nil)
          @code = code
          @status = status
          @detail = detail
          @problems = problems
        end

        # @return [Hash]
        def to_h
          {
            type: "about:blank",
            title: TITLES.fetch(@status, "Error"),
            status: @status,
            detail: @detail,
            code: @code,
            problems: @problems
          }.compact
        end
      end
    end
  end
end
