# frozen_string_literal: true

# What indexes and others say of a site's URLs. An import replaces rows by newer versions and leaves the old ones, so
# that it can be taken back as a whole: the row in force is the one that nothing supersedes. Site and index of a row are
# those of its import: checking each of a million rows for three keys costs as much as all else.
class CreateEvidence < ActiveRecord::Migration[7.2]
  VERSIONED = {
    "standings" => ["index_id, day, url_id", <<~SQL],
      index_id bigint NOT NULL,
      day date NOT NULL,
      url_id bigint NOT NULL,
      state text NOT NULL,
      reason text,
      found_by text,
      first_seen date,
      last_fetched date,
      chosen_canonical text
    SQL
    "search_pages" => ["index_id, url_id, day, dated", <<~SQL],
      index_id bigint NOT NULL,
      day date NOT NULL,
      dated boolean NOT NULL,
      url_id bigint NOT NULL,
      clicks bigint NOT NULL,
      impressions bigint NOT NULL,
      position double precision
    SQL
    "search_queries" => ["index_id, url_id, query_id, day, dated", <<~SQL],
      index_id bigint NOT NULL,
      day date NOT NULL,
      dated boolean NOT NULL,
      url_id bigint NOT NULL,
      query_id bigint NOT NULL,
      clicks bigint NOT NULL,
      impressions bigint NOT NULL,
      position double precision
    SQL
    "outside_links" => ["site_id, target_id, source_id, day, md5(anchor)", <<~SQL],
      day date NOT NULL,
      source_id bigint NOT NULL,
      source text NOT NULL,
      target_id bigint NOT NULL,
      anchor text NOT NULL,
      more jsonb
    SQL
    "goals" => ["site_id, url_id, day, goal", <<~SQL]
      day date NOT NULL,
      url_id bigint NOT NULL,
      goal text NOT NULL,
      count bigint NOT NULL
    SQL
  }.freeze

  def up
    execute <<~SQL
      CREATE TABLE indexes (
        id bigserial PRIMARY KEY,
        site_id bigint NOT NULL REFERENCES sites ON DELETE CASCADE,
        name text NOT NULL,
        address text,
        hosts text[] NOT NULL DEFAULT '{}',
        quota integer NOT NULL DEFAULT 10,
        whole boolean NOT NULL DEFAULT true,
        pull_days integer,
        pulled_at timestamptz,
        pull_error text,
        ownership jsonb NOT NULL DEFAULT '[]',
        created_at timestamptz NOT NULL,
        UNIQUE (site_id, name)
      );
      CREATE TABLE evidence_imports (
        id bigserial PRIMARY KEY,
        site_id bigint NOT NULL REFERENCES sites ON DELETE CASCADE,
        index_id bigint REFERENCES indexes ON DELETE CASCADE,
        kind text NOT NULL,
        name text NOT NULL,
        digest text,
        date date,
        whole boolean,
        result jsonb NOT NULL DEFAULT '{}',
        made_by text,
        made_at timestamptz NOT NULL,
        undone_by text,
        undone_at timestamptz
      );
      CREATE INDEX evidence_imports_by_site ON evidence_imports (site_id, id);
      CREATE TABLE evidence (
        id bigserial PRIMARY KEY,
        site_id bigint NOT NULL REFERENCES sites ON DELETE CASCADE,
        index_id bigint REFERENCES indexes ON DELETE CASCADE,
        kind text NOT NULL,
        day date NOT NULL,
        whole boolean NOT NULL,
        UNIQUE NULLS NOT DISTINCT (site_id, index_id, kind, day)
      );
      CREATE TABLE evidence_mappings (
        site_id bigint NOT NULL REFERENCES sites ON DELETE CASCADE,
        index_id bigint REFERENCES indexes ON DELETE CASCADE,
        kind text NOT NULL,
        columns jsonb NOT NULL DEFAULT '{}',
        words jsonb NOT NULL DEFAULT '{}',
        UNIQUE NULLS NOT DISTINCT (site_id, index_id, kind)
      );
      CREATE TABLE queries (id bigint PRIMARY KEY, text text NOT NULL);
    SQL
    VERSIONED.each do |table, (key, columns)|
      execute <<~SQL
        CREATE TABLE #{table} (
          site_id bigint NOT NULL,
          import_id bigint NOT NULL REFERENCES evidence_imports ON DELETE CASCADE,
          superseded_by bigint,
          #{columns.strip}
        );
        CREATE UNIQUE INDEX #{table}_in_force ON #{table} (#{key}) WHERE superseded_by IS NULL;
        CREATE INDEX #{table}_by_import ON #{table} USING brin (import_id);
        CREATE INDEX #{table}_by_day ON #{table} USING brin (day);
        CREATE INDEX #{table}_superseded ON #{table} (superseded_by) WHERE superseded_by IS NOT NULL;
      SQL
    end
    change_table :sites do |t|
      t.jsonb :evidence_settings, null: false, default: {}
    end
  end

  def down
    remove_column :sites, :evidence_settings
    (VERSIONED.keys + %w[queries evidence_mappings evidence evidence_imports indexes]).each { |table| drop_table table }
  end
end
