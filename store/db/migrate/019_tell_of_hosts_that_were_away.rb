# frozen_string_literal: true

# A host that can't be reached for a while is waited for: since when, whether that was given up, and when it was so
# before. A crawl most of whose URLs got no answer says nothing of its site.
class TellOfHostsThatWereAway < ActiveRecord::Migration[7.2]
  def change
    change_table :crawl_hosts do |t|
      t.timestamptz :away_since
      t.boolean :gone, null: false, default: false
      t.jsonb :outages, null: false, default: []
    end
    add_column :crawls, :unanswered, :boolean, null: false, default: false
  end
end
