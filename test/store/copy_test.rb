# frozen_string_literal: true

require_relative "../test_helper"

class CopyTest < Minitest::Test
  include TestDatabase

  Sql = IronTrellis::Store::Postgres::Sql
  Copy = IronTrellis::Store::Postgres::BulkCopy
  # Values that have the edges of each type, as they go in; they must come out the same.
  VALUES = {
    "smallint" => [0, -32_768, 32_767],
    "integer" => [0, -(1 << 31), (1 << 31) - 1],
    "bigint" => [0, -(1 << 63), (1 << 63) - 1],
    "boolean" => [true, false],
    "double precision" => [0.1, -1.5e300],
    "text" => ["", "Möwe \u{1F6A2} \\ \" '\n\t"],
    "bytea" => ["\x00\xFF\\".b, "".b],
    "jsonb" => [{"a" => ["ö\"", 1, nil]}, [], "x"],
    "timestamp with time zone" => [Time.utc(2026, 2, 28, 23, 59, 59.25r), Time.utc(1999, 1, 1)],
    "date" => [Date.new(2026, 2, 28), Date.new(1999, 12, 31)],
    "text[]" => [[], ["a,b", "", "{}\"\\", "NULL"], ["ä", nil]],
    "bigint[]" => [[], [1, -(1 << 63)]],
    "integer[]" => [[], [0, 7, -(1 << 31)]]
  }.freeze

  def with_table(type)
    name = "copied_#{SecureRandom.hex(6)}"
    Sql.raw.exec("CREATE TABLE #{name} (position integer, value #{type})")
    yield name
  ensure
    Sql.raw.exec("DROP TABLE #{name}")
  end

  def test_there_are_values_for_every_type
    assert_equal Copy::ENCODERS.keys.sort, VALUES.keys.sort
  end

  VALUES.each do |type, values|
    define_method("test_#{type}_comes_out_as_it_went_in") do
      with_table(type) do |table|
        rows = [*values, nil].each_with_index.map { |value, position| [position, value] }
        Copy.new(table, %w[position value]).call(table, rows)

        found = Sql.rows("SELECT value FROM #{table} ORDER BY position").map { |row| row["value"] }
        assert_equal [*values, nil], found
      end
    end
  end

  def test_more_rows_than_go_in_one_piece_are_all_there
    with_table("integer") do |table|
      Copy.new(table, %w[value position]).call(table, (1..(2 * Copy::PIECE + 1)).map { |number| [number * 2, number] })

      assert_equal [2 * Copy::PIECE + 1, true],
        Sql.rows("SELECT count(*) AS n, bool_and(value = position * 2) AS same FROM #{table}").first.values
    end
  end

  def test_a_nul_in_a_text_is_refused_and_in_json_is_left_out
    with_table("text") do |table|
      assert_raises(PG::CharacterNotInRepertoire) { Copy.new(table, %w[value]).call(table, [["a\0b"]]) }
      assert_equal 0, Sql.run("SELECT count(*) FROM #{table}").getvalue(0, 0).to_i, "nothing of it is there"
    end
    with_table("jsonb") do |table|
      Copy.new(table, %w[value]).call(table, [[["a\0b"]]])
      assert_equal %w[ab], JSON.parse(Sql.run("SELECT value FROM #{table}").getvalue(0, 0))
    end
  end
end
