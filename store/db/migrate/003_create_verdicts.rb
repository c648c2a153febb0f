# frozen_string_literal: true

# What was worked out from the facts. A run is computed as a whole and swapped in by its finished_at; ledger rows and
# faults lie in partitions by run, so that an old run is dropped at once.
class CreateVerdicts < ActiveRecord::Migration[7.2]
  def up
    execute <<~SQL
      CREATE TABLE verdict_runs (
        id bigserial PRIMARY KEY,
        crawl_id bigint NOT NULL REFERENCES crawls ON DELETE CASCADE,
        rules_digest text NOT NULL,
        evidence_at timestamptz,
        started_at timestamptz NOT NULL,
        finished_at timestamptz
      );
      CREATE INDEX verdict_runs_by_crawl ON verdict_runs (crawl_id, finished_at);

      CREATE TABLE ledger_rows (
        run_id bigint NOT NULL,
        url_id bigint NOT NULL,
        url text NOT NULL,
        kind text,
        status integer,
        error text,
        content_type text,
        bytes bigint,
        first_byte_ms integer,
        response_ms integer,
        depth integer,
        found_by text[] NOT NULL,
        robots_allowed boolean,
        robots_line integer,
        redirect_to text,
        redirect_chain text[] NOT NULL,
        final_url text,
        final_status integer,
        noindex boolean,
        nofollow boolean,
        canonical text,
        canonical_source text,
        canonical_state text,
        lang text,
        title text,
        title_chars integer,
        description text,
        description_chars integer,
        h1 text[],
        words integer,
        links_in integer NOT NULL,
        links_out_internal integer,
        links_out_external integer,
        images integer,
        images_without_alt integer,
        in_sitemaps text[] NOT NULL,
        "group" text NOT NULL,
        intent text NOT NULL,
        wanted boolean NOT NULL,
        indexable boolean NOT NULL,
        soft_missing boolean NOT NULL,
        stop text,
        stop_reason text,
        unfetched text,
        climb jsonb NOT NULL,
        faults text[] NOT NULL,
        fault_count integer NOT NULL
      ) PARTITION BY LIST (run_id);

      CREATE TABLE faults (
        run_id bigint NOT NULL,
        identity bigint NOT NULL,
        code text NOT NULL,
        grade text NOT NULL,
        url_id bigint NOT NULL,
        url text NOT NULL,
        about text,
        detail jsonb NOT NULL
      ) PARTITION BY LIST (run_id);

      -- Totals that screens show: pages of one group that pass or stop at one rung, split by what we want of them.
      CREATE TABLE rollups (
        run_id bigint NOT NULL REFERENCES verdict_runs ON DELETE CASCADE,
        "group" text NOT NULL,
        intent text NOT NULL,
        wanted boolean NOT NULL,
        stop text NOT NULL,
        pages integer NOT NULL,
        PRIMARY KEY (run_id, "group", intent, wanted, stop)
      );
    SQL
  end

  def down
    %w[rollups faults ledger_rows verdict_runs].each { |table| drop_table table }
  end
end
