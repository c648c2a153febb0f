# frozen_string_literal: true

module IronTrellis
  module Store
    module Crawling
      # The running totals of a crawl, one row a slot, so that workers never wait for each other to count.
      module Counters
        NAMES = %w[fetched ok redirected refused failed unanswered blocked retried bytes].freeze

        ADD = <<~SQL
          INSERT INTO crawl_counters (crawl_id, slot, #{NAMES.join(", ")}) VALUES ($1, $2,
            #{NAMES.each_index.map { |index| "$#{index + 3}" }.join(", ")})
          ON CONFLICT (crawl_id, slot) DO UPDATE SET
            #{NAMES.map { |name| "#{name} = crawl_counters.#{name} + EXCLUDED.#{name}" }.join(", ")}
        SQL

        module_function

        # @param crawl_id [Integer]
        # @param slot [Integer]
        # @param sums [Hash{String => Integer}] by NAMES; what is left out is nothing
        # @return [void]
        def add(crawl_id, slot, sums) =
          Postgres::Sql.run(ADD, [crawl_id, slot, *NAMES.map { |name| sums.fetch(name, 0) }])

        # @param outcomes [Array<Core::Crawling::Outcome>]
        # @return [Hash{String => Integer}]
        def of(outcomes)
          fetched = outcomes.select(&:fetched?)
          by_class = fetched.group_by { |outcome| outcome.answer.status&./(100) }.transform_values(&:size)
          {
            "fetched" => fetched.size,
            "ok" => by_class.fetch(2, 0),
            "redirected" => by_class.fetch(3, 0),
            "refused" => by_class.fetch(4, 0),
            "failed" => by_class.fetch(5, 0),
            "unanswered" => by_class.fetch(nil, 0),
            "blocked" => outcomes.size - fetched.size,
            "bytes" => fetched.sum { |one| one.answer.body.to_s.bytesize }
          }
        end

        # @param crawl_id [Integer]
        # @return [Hash{String => Integer}] of all slots together
        def sums(crawl_id)
          Postgres::Sql.rows(
            "SELECT #{NAMES.map { |name| "coalesce(sum(#{name}), 0)::bigint AS #{name}" }.join(", ")} FROM " \
            "crawl_counters WHERE crawl_id = $1",
            [crawl_id]
          ).first
        end
      end
    end
  end
end
