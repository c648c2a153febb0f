# frozen_string_literal: true

# The faults of a run by rule and page group, counted once when it is finished: the screen of faults would count them
# anew each time. Where trigrams can be had, addresses and titles are found by any part of them.
class AddFaultRollups < ActiveRecord::Migration[7.2]
  def change
    create_table :fault_rollups, primary_key: %i[run_id code group] do |t|
      t.bigint :run_id, null: false
      t.text :code, null: false
      t.text :group, null: false
      t.integer :urls, null: false
      t.bigint :times, null: false
      t.float :importance, null: false
      t.integer :others, null: false
      t.integer :wanted, null: false
      t.integer :pages, null: false
    end
    add_foreign_key :fault_rollups, :verdict_runs, column: :run_id, on_delete: :cascade
    enable_extension "pg_trgm"
  end
end
