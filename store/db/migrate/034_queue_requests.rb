# frozen_string_literal: true

# URLs that an index is to fetch again, with what became of each.
class QueueRequests < ActiveRecord::Migration[7.2]
  def up
    execute <<~SQL
      CREATE TABLE fetch_requests (
        id bigserial PRIMARY KEY,
        site_id bigint NOT NULL REFERENCES sites ON DELETE CASCADE,
        index_id bigint NOT NULL REFERENCES indexes ON DELETE CASCADE,
        url_id bigint NOT NULL,
        url text NOT NULL,
        importance double precision NOT NULL DEFAULT 0,
        why text NOT NULL,
        state text NOT NULL DEFAULT 'waiting',
        reason text,
        entered_at timestamptz NOT NULL,
        asked_at timestamptz
      );
      CREATE UNIQUE INDEX fetch_requests_waiting ON fetch_requests (index_id, url_id) WHERE state = 'waiting';
      CREATE INDEX fetch_requests_of_site ON fetch_requests (site_id, state);
    SQL
  end

  def down = drop_table(:fetch_requests)
end
