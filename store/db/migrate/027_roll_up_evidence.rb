# frozen_string_literal: true

# What screens of evidence show, counted once a run: where pages stand, now and day by day, and the queries that they
# are
# found for; and what was sorted out of what an index left out.
class RollUpEvidence < ActiveRecord::Migration[7.2]
  def up
    execute <<~SQL
      CREATE TABLE standing_rollups (
        run_id bigint NOT NULL REFERENCES verdict_runs ON DELETE CASCADE,
        day date NOT NULL,
        "group" text NOT NULL,
        wanted boolean NOT NULL,
        standing text NOT NULL,
        urls bigint NOT NULL,
        useless bigint NOT NULL,
        PRIMARY KEY (run_id, day, "group", wanted, standing)
      );
      CREATE TABLE found_for (
        run_id bigint NOT NULL REFERENCES verdict_runs ON DELETE CASCADE,
        url_id bigint NOT NULL,
        query_id bigint NOT NULL,
        clicks bigint NOT NULL,
        impressions bigint NOT NULL,
        position double precision,
        PRIMARY KEY (run_id, query_id, url_id)
      );
      CREATE INDEX found_for_by_url ON found_for (run_id, url_id);
      CREATE INDEX found_for_by_impressions ON found_for (run_id, impressions, query_id, url_id);
      CREATE TABLE triage_lines (
        index_id bigint NOT NULL REFERENCES indexes ON DELETE CASCADE,
        url_id bigint NOT NULL,
        url text NOT NULL,
        class text,
        own_class text,
        "group" text NOT NULL,
        line jsonb NOT NULL,
        accepted_by text,
        accepted_at timestamptz,
        PRIMARY KEY (index_id, url_id)
      );
      CREATE INDEX triage_lines_by_class ON triage_lines (index_id, coalesce(own_class, class), url_id);
      ALTER TABLE indexes ADD COLUMN sorted_at timestamptz, ADD COLUMN sorted_live boolean;
    SQL
  end

  def down
    execute "ALTER TABLE indexes DROP COLUMN sorted_at, DROP COLUMN sorted_live"
    %w[triage_lines found_for standing_rollups].each { |table| drop_table(table) }
  end
end
