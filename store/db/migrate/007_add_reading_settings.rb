# frozen_string_literal: true

# What a site's pages are judged by, beyond the defaults; what a run sums up of its structure; and the saved views of
# the ledger.
class AddReadingSettings < ActiveRecord::Migration[7.2]
  def change
    change_table :sites, bulk: true do |t|
      t.jsonb :thresholds, null: false, default: {}
      t.jsonb :weights, null: false, default: {}
    end
    add_column :page_groups, :thresholds, :jsonb, null: false, default: {}
    add_column :ledger_rows, :fetched_at, :timestamptz
    # When judging it again was last asked for.
    add_column :crawls, :reading_asked_at, :timestamptz
    # How the site hangs together, summed up for the screen that draws it.
    add_column :verdict_runs, :structure, :jsonb
    create_table :lenses do |t|
      t.references :site, null: false, foreign_key: {on_delete: :cascade}
      t.text :name, null: false
      t.json :conditions, null: false
      t.text :columns, array: true
      t.text :sort
      t.text :made_by, null: false
      t.timestamptz :made_at, null: false
      t.index %i[site_id name], unique: true
    end
  end
end
