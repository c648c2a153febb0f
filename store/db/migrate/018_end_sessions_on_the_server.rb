# frozen_string_literal: true

# Sessions that end on the server too; decisions on addresses of any length.
class EndSessionsOnTheServer < ActiveRecord::Migration[7.2]
  # An index row holds some 2,700 bytes, an address may have 8,000.
  def up
    remove_index :decisions, name: "decisions_in_force"
    add_index :decisions, "site_id, kind, md5(subject), id", where: "undone_at IS NULL", name: "decisions_in_force"
    remove_index :route_tests, %i[site_id source]
    add_index :route_tests, "site_id, md5(source)", unique: true, name: "route_tests_by_source"
    make_sessions
  end

  def down
    drop_table :sessions
    remove_index :route_tests, name: "route_tests_by_source"
    add_index :route_tests, %i[site_id source], unique: true
    remove_index :decisions, name: "decisions_in_force"
    add_index :decisions, %i[site_id kind subject id], where: "undone_at IS NULL", name: "decisions_in_force"
  end

  private

  def make_sessions
    create_table :sessions do |t|
      t.bigint :user_id, null: false
      t.text :digest, null: false, index: {unique: true}
      t.timestamptz :created_at, null: false
      t.timestamptz :seen_at, null: false
      t.foreign_key :users, on_delete: :cascade
    end
  end
end
