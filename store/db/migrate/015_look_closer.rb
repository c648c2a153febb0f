# frozen_string_literal: true

# Faults are counted by host too; the ledger tells how many H1s a page has and what it loads; of pages the lines around
# telephone numbers are kept. Runs that were judged before are counted anew; what their pages load isn't known.
class LookCloser < ActiveRecord::Migration[7.2]
  def up
    change_table :ledger_rows, bulk: true do |t|
      t.integer :h1_count
      t.integer :scripts
      t.bigint :script_bytes
      t.integer :styles
      t.bigint :style_bytes
      t.bigint :image_bytes
      t.bigint :page_bytes
    end
    add_column :page_facts, :contacts, :jsonb
    execute "UPDATE ledger_rows SET h1_count = cardinality(h1)"
    execute "DELETE FROM fault_rollups"
    execute <<~SQL
      ALTER TABLE fault_rollups ADD COLUMN host text NOT NULL, DROP CONSTRAINT fault_rollups_pkey,
        ADD PRIMARY KEY (run_id, code, "group", host)
    SQL
    IronTrellis::Store::Judging::VerdictRun
      .where.not(finished_at: nil)
      .find_each { |run| IronTrellis::Store::Reports::Causes.new(run).roll_up }
  end

  def down
    execute "DELETE FROM fault_rollups"
    execute <<~SQL
      ALTER TABLE fault_rollups DROP CONSTRAINT fault_rollups_pkey, DROP COLUMN host,
        ADD PRIMARY KEY (run_id, code, "group")
    SQL
    remove_column :page_facts, :contacts
    change_table(:ledger_rows, bulk: true) do |t|
      t.remove :h1_count, :scripts, :script_bytes, :styles, :style_bytes, :image_bytes, :page_bytes
    end
  end
end
