# frozen_string_literal: true

# Links that should be and topics of a site, as they were worked out last.
class KeepMissingLinks < ActiveRecord::Migration[7.2]
  def change
    create_table :missing_links do |t|
      t.bigint :site_id, null: false, index: {unique: true}
      t.bigint :crawl_id, null: false
      t.jsonb :proposals, null: false
      t.jsonb :topics, null: false
      t.timestamptz :made_at, null: false
      t.foreign_key :sites, on_delete: :cascade
    end
  end
end
