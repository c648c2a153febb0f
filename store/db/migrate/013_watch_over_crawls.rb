# frozen_string_literal: true

# Who watches over a crawl that the command line makes was heard of last (nobody works its queue when that one is gone);
# which crawls are to be kept; and when it was asked where lost addresses could lead.
class WatchOverCrawls < ActiveRecord::Migration[7.2]
  def change
    change_table :crawls, bulk: true do |t|
      t.timestamptz :watched_at
      t.boolean :kept, null: false, default: false
    end
    add_column :verdict_runs, :suggestions_asked_at, :timestamptz
  end
end
