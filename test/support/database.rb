# frozen_string_literal: true

# A clean test database, made once a run: tests make sites of their own instead of emptying tables.
module TestDatabase
  def self.ready
    @ready ||= begin
      IronTrellis::Store::Postgres::Database.drop
      IronTrellis::Store::Postgres::Database.prepare
      IronTrellis::Work::Runtime::Queue.connect
      true
    end
  end

  def setup
    TestDatabase.ready
    super
  end
end
