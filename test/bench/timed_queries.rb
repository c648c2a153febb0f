# frozen_string_literal: true

module Bench
  # How long queries take: by each the 95th percentile in milliseconds, and how many times as long it takes as the bare
  # SQL of it.
  module TimedQueries
    TURNS = 20
    Sql = IronTrellis::Store::Postgres::Sql

    module_function

    # The statements that a query makes, run again with nothing around them.
    def bare(statements) =
      Bench.seconds do
        statements.each { |sql, params| params.nil? ? Sql.raw.exec(sql) : Sql.raw.exec_params(sql, params) }
      end

    # Notes the statements that go to the server by Sql.run while the block runs.
    def noted
      statements = []
      Sql.define_singleton_method(:run) do |sql, params = []|
        statements << [sql, params]
        raw.exec_params(sql, params)
      end
      yield
      statements
    ensure
      Sql.define_singleton_method(:run) { |sql, params = []| raw.exec_params(sql, params) }
    end

    def measure(query)
      statements = noted { query.call(0) }
      times = Array.new(TURNS) { |turn| Bench.seconds { query.call(turn) } }.sort
      again = Bench.median(Array.new(5) { Bench.seconds { query.call(0) } })
      alone = Bench.median(Array.new(5) { bare(statements) })
      {
        p95_ms: (times[(TURNS * 0.95).ceil - 1] * 1000).round(1),
        times_bare: statements.empty? ? nil : (again / alone).round(2)
      }
    end
  end
end
