# frozen_string_literal: true

# Pages whose words are worked on: what each is to be found for, what it is held against, what it shall say; and what
# was read of those pages.
class KeepDesks < ActiveRecord::Migration[7.2]
  def up
    execute <<~SQL
      CREATE TABLE desk_pages (
        id bigserial PRIMARY KEY,
        site_id bigint NOT NULL REFERENCES sites ON DELETE CASCADE,
        url_id bigint NOT NULL,
        url text NOT NULL,
        phrases text[] NOT NULL DEFAULT '{}',
        rivals text[] NOT NULL DEFAULT '{}',
        draft jsonb NOT NULL DEFAULT '{}',
        changed_at timestamptz NOT NULL,
        changed_by text,
        UNIQUE (site_id, url_id)
      );
      CREATE TABLE desk_reads (
        site_id bigint NOT NULL REFERENCES sites ON DELETE CASCADE,
        source_digest bytea NOT NULL,
        source text NOT NULL,
        page jsonb,
        problem text,
        read_at timestamptz NOT NULL,
        PRIMARY KEY (site_id, source_digest)
      );
    SQL
  end

  def down = %w[desk_reads desk_pages].each { |table| drop_table(table) }
end
