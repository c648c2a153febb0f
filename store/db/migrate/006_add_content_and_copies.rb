# frozen_string_literal: true

# What pages say beside their text, where in the text other things stand, and what judging makes of it: copies, and how
# much of each page is its own. Also what hosts answer under other addresses, and what is wrong with sitemap files.
class AddContentAndCopies < ActiveRecord::Migration[7.2]
  def change
    change_table :page_facts, bulk: true do |t|
      t.text :viewport
      t.jsonb :outline
      t.jsonb :open_graph
      t.jsonb :data
      t.jsonb :data_problems
    end
    # Numbers of lines, from and to by turns.
    add_column :page_blocks, :frames, :integer, array: true
    change_table :ledger_rows, bulk: true do |t|
      t.text :copy_of
      t.float :likeness
      t.float :own_share
      t.integer :copies
    end
    # Beside a made-up path, / under the other scheme and with or without www; `links` are the ways on that a missing
    # page shows.
    change_table :host_probes, bulk: true do |t|
      t.text :kind, null: false, default: "missing"
      t.text :location
      t.integer :links
    end
    reversible do |change|
      change.up { execute "ALTER TABLE host_probes DROP CONSTRAINT host_probes_pkey, ADD PRIMARY KEY (host_id, kind)" }
      change.down do
        execute "DELETE FROM host_probes WHERE kind <> 'missing'"
        execute "ALTER TABLE host_probes DROP CONSTRAINT host_probes_pkey, ADD PRIMARY KEY (host_id)"
      end
    end
    add_column :sitemap_files, :faults, :jsonb
  end
end
