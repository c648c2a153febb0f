# frozen_string_literal: true

# How much each page matters: its share of authority, its importance, and the parts of that.
class AddImportance < ActiveRecord::Migration[7.2]
  def change
    change_table :ledger_rows, bulk: true do |t|
      t.float :authority
      t.float :importance
      t.jsonb :importance_parts
    end
  end
end
