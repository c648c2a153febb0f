# frozen_string_literal: true

# What crawlers fetched, by access logs: so many requests of an agent for a URL on a day with one status.
class AddLogHits < ActiveRecord::Migration[7.2]
  def up
    execute <<~SQL
      CREATE TABLE log_hits (
        site_id bigint NOT NULL,
        import_id bigint NOT NULL REFERENCES evidence_imports ON DELETE CASCADE,
        superseded_by bigint,
        day date NOT NULL,
        agent text NOT NULL,
        verified boolean NOT NULL,
        url_id bigint NOT NULL,
        status smallint NOT NULL,
        requests bigint NOT NULL
      );
      CREATE INDEX log_hits_by_day ON log_hits (site_id, day);
      CREATE INDEX log_hits_by_url ON log_hits (site_id, url_id);
      CREATE INDEX log_hits_by_import ON log_hits (import_id);
    SQL
  end

  def down = drop_table(:log_hits)
end
