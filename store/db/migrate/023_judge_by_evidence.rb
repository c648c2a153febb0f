# frozen_string_literal: true

# What evidence says of a URL stands in its row of the ledger; a fault may be of a group, and then has no URL. What a
# live fetch saw is kept for URLs that only evidence knows.
class JudgeByEvidence < ActiveRecord::Migration[7.2]
  def up
    change_table :ledger_rows, bulk: true do |t|
      t.text :standing
      t.text :standing_reason
      t.date :standing_date
      t.date :last_fetched
      t.text :chosen_canonical_by_index
      t.bigint :clicks
      t.bigint :impressions
      t.float :position
      t.integer :queries
      t.integer :outside_links
      t.text :goals, array: true
      t.boolean :dropped, null: false, default: false
    end
    change_column_null :faults, :url, true
    change_table :verdict_runs do |t|
      t.jsonb :evidence, null: false, default: {}
    end
    execute <<~SQL
      CREATE TABLE live_checks (
        site_id bigint NOT NULL REFERENCES sites ON DELETE CASCADE,
        url_id bigint NOT NULL,
        checked_at timestamptz NOT NULL,
        status integer,
        error text,
        final_url text,
        final_status integer,
        facts jsonb NOT NULL DEFAULT '{}',
        PRIMARY KEY (site_id, url_id)
      );
      CREATE TABLE index_hides (
        index_id bigint NOT NULL REFERENCES indexes ON DELETE CASCADE,
        url_id bigint NOT NULL,
        asked_on date NOT NULL,
        ends_on date NOT NULL,
        proved boolean NOT NULL DEFAULT false,
        PRIMARY KEY (index_id, url_id)
      );
    SQL
  end

  def down
    drop_table :index_hides
    drop_table :live_checks
    remove_column :verdict_runs, :evidence
    execute "DELETE FROM faults WHERE url IS NULL"
    change_column_null :faults, :url, false
    change_table :ledger_rows, bulk: true do |t|
      t.remove :standing, :standing_reason, :standing_date, :last_fetched, :chosen_canonical_by_index, :clicks,
        :impressions, :position, :queries, :outside_links, :goals, :dropped
    end
  end
end
