# frozen_string_literal: true

# A clean test database, made once a run: tests make sites of their own instead of emptying tables.
module TestDatabase
  def self.ready
    @ready ||= begin
      IronTrellis::Store::Database.drop
      IronTrellis::Store::Database.prepare
      IronTrellis::Work::Queue.connect
      true
    end
  end

  def setup
    TestDatabase.ready
    super
  end
end
