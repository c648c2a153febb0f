# frozen_string_literal: true

# Files that somebody brings lie here until a worker, on whichever machine, has read them.
class AddUploads < ActiveRecord::Migration[7.2]
  def up
    execute <<~SQL
      CREATE TABLE uploads (
        id bigserial PRIMARY KEY,
        site_id bigint NOT NULL REFERENCES sites ON DELETE CASCADE,
        name text NOT NULL,
        made_at timestamptz NOT NULL
      );
      CREATE TABLE upload_pieces (
        upload_id bigint NOT NULL REFERENCES uploads ON DELETE CASCADE,
        place integer NOT NULL,
        bytes bytea NOT NULL,
        PRIMARY KEY (upload_id, place)
      );
    SQL
  end

  def down = %w[upload_pieces uploads].each { |table| drop_table(table) }
end
