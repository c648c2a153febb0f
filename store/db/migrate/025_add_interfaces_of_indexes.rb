# frozen_string_literal: true

# What an index's interface tells besides standings and the search record: the sitemaps it was sent, what it was asked
# to
# fetch again, and to which hosts it has seen a right.
class AddInterfacesOfIndexes < ActiveRecord::Migration[7.2]
  def up
    execute <<~SQL
      ALTER TABLE indexes ADD COLUMN interface text;
      CREATE TABLE index_sitemaps (
        index_id bigint NOT NULL REFERENCES indexes ON DELETE CASCADE,
        url text NOT NULL,
        state text NOT NULL,
        sent_on date,
        read_on date,
        errors integer,
        listed integer,
        kept integer,
        PRIMARY KEY (index_id, url)
      );
      CREATE TABLE index_requests (
        index_id bigint NOT NULL REFERENCES indexes ON DELETE CASCADE,
        url text NOT NULL,
        asked_on date NOT NULL,
        state text NOT NULL,
        PRIMARY KEY (index_id, url, asked_on)
      );
    SQL
  end

  def down
    drop_table :index_requests
    drop_table :index_sitemaps
    remove_column :indexes, :interface
  end
end
