# frozen_string_literal: true

# What pages are after their scripts: whether the facts are those, what scripts changed, how the page lies on a phone;
# and all else that was told while it was rendered.
class RenderPages < ActiveRecord::Migration[7.2]
  def change
    add_column :page_facts, :rendered, :boolean
    add_column :page_facts, :changed_by_script, :jsonb
    add_column :page_facts, :on_phone, :jsonb
    add_column :ledger_rows, :rendered, :boolean
    add_column :ledger_rows, :by_script, :text, array: true
    create_table :renderings, primary_key: %i[crawl_id url_id] do |t|
      t.bigint :crawl_id, null: false
      t.bigint :url_id, null: false
      t.jsonb :told, null: false
      t.binary :html
      t.foreign_key :crawls, on_delete: :cascade
    end
  end
end
