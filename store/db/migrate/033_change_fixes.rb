# frozen_string_literal: true

# When fixes end in the hours of their owner, and faults that people set aside one by one.
class ChangeFixes < ActiveRecord::Migration[7.2]
  def up
    execute <<~SQL
      ALTER TABLE fixes ADD COLUMN finish_hours double precision;
      CREATE TABLE set_aside_faults (
        id bigserial PRIMARY KEY,
        site_id bigint NOT NULL REFERENCES sites ON DELETE CASCADE,
        fix_number integer NOT NULL,
        code text NOT NULL,
        url text,
        about text,
        why text NOT NULL,
        until date,
        by text,
        set_aside_at timestamptz NOT NULL
      );
      CREATE INDEX set_aside_faults_of_site ON set_aside_faults (site_id, fix_number);
    SQL
  end

  def down
    execute <<~SQL
      DROP TABLE set_aside_faults;
      ALTER TABLE fixes DROP COLUMN finish_hours;
    SQL
  end
end
