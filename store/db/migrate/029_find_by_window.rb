# frozen_string_literal: true

# What pages are found for is counted for each of the three windows, by pair, by query and by page, so that no list has
# to add up all pairs; and what each page group brings in each of them.
class FindByWindow < ActiveRecord::Migration[7.2]
  def up
    execute <<~SQL
      ALTER TABLE found_for ADD COLUMN span text NOT NULL DEFAULT 'short', DROP CONSTRAINT found_for_pkey,
        ADD PRIMARY KEY (run_id, span, query_id, url_id);
      ALTER TABLE found_for ALTER COLUMN span DROP DEFAULT;
      DROP INDEX found_for_by_url, found_for_by_impressions;
      CREATE INDEX found_for_by_url ON found_for (run_id, span, url_id);
      CREATE TABLE found_queries (
        run_id bigint NOT NULL REFERENCES verdict_runs ON DELETE CASCADE,
        span text NOT NULL,
        query_id bigint NOT NULL,
        clicks bigint NOT NULL,
        impressions bigint NOT NULL,
        position double precision,
        pages bigint NOT NULL,
        competing boolean NOT NULL,
        PRIMARY KEY (run_id, span, query_id)
      );
      CREATE INDEX found_queries_by_impressions ON found_queries (run_id, span, impressions DESC, query_id)
        INCLUDE (position);
      CREATE INDEX found_queries_by_clicks ON found_queries (run_id, span, clicks DESC, impressions DESC);
      CREATE INDEX found_queries_competing ON found_queries (run_id, span, impressions DESC) WHERE competing;
      CREATE TABLE found_pages (
        run_id bigint NOT NULL REFERENCES verdict_runs ON DELETE CASCADE,
        span text NOT NULL,
        url_id bigint NOT NULL,
        clicks bigint NOT NULL,
        impressions bigint NOT NULL,
        queries bigint NOT NULL,
        PRIMARY KEY (run_id, span, url_id)
      );
      CREATE INDEX found_pages_by_impressions ON found_pages (run_id, span, impressions DESC, url_id);
      CREATE INDEX found_pages_by_clicks ON found_pages (run_id, span, clicks DESC, impressions DESC);
      CREATE INDEX queries_by_part_of_text ON queries USING gin (text gin_trgm_ops);
      CREATE TABLE group_records (
        run_id bigint NOT NULL REFERENCES verdict_runs ON DELETE CASCADE,
        span text NOT NULL,
        "group" text NOT NULL,
        clicks bigint,
        impressions bigint,
        visited bigint NOT NULL,
        PRIMARY KEY (run_id, span, "group")
      );
    SQL
    execute <<~SQL
      CREATE TABLE to_index_rollups (
        run_id bigint NOT NULL REFERENCES verdict_runs ON DELETE CASCADE,
        "group" text NOT NULL,
        month text NOT NULL,
        urls bigint NOT NULL,
        days integer NOT NULL,
        PRIMARY KEY (run_id, "group", month)
      )
    SQL
    # Runs of before have the short window; the others come when they are judged again.
    execute <<~SQL
      INSERT INTO found_queries (run_id, span, query_id, clicks, impressions, position, pages, competing)
        SELECT run_id, span, query_id, sum(clicks), sum(impressions), sum(position * impressions) /
          nullif(sum(impressions) FILTER (WHERE position IS NOT NULL), 0), count(*), false
        FROM found_for GROUP BY 1, 2, 3;
      INSERT INTO found_pages (run_id, span, url_id, clicks, impressions, queries)
        SELECT run_id, span, url_id, sum(clicks), sum(impressions), count(*) FROM found_for GROUP BY 1, 2, 3;
    SQL
  end

  def down
    %w[to_index_rollups group_records found_pages found_queries].each { |table| drop_table(table) }
    execute <<~SQL
      DROP INDEX queries_by_part_of_text;
      DELETE FROM found_for WHERE span <> 'short';
      ALTER TABLE found_for DROP COLUMN span, ADD PRIMARY KEY (run_id, query_id, url_id);
      CREATE INDEX found_for_by_url ON found_for (run_id, url_id);
      CREATE INDEX found_for_by_impressions ON found_for (run_id, impressions, query_id, url_id);
    SQL
  end
end
