# frozen_string_literal: true

# What was found of a fix's conditions when they were looked at last, of which crawl the fixes of a site are, and the
# last number that one of them had. Some installations have the columns of sites already.
class ProveFixes < ActiveRecord::Migration[7.2]
  def up
    execute <<~SQL
      ALTER TABLE fixes ADD COLUMN proof jsonb, ADD COLUMN claimed_at timestamptz, ADD COLUMN proved_at timestamptz,
        ADD COLUMN notes text;
      ALTER TABLE sites ADD COLUMN IF NOT EXISTS fixes_of_crawl bigint,
        ADD COLUMN IF NOT EXISTS last_fix_number integer NOT NULL DEFAULT 0;
      UPDATE sites SET last_fix_number = greatest(last_fix_number, (
        SELECT coalesce(max(number), 0) FROM fixes WHERE site_id = sites.id
      ));
    SQL
  end

  def down
    execute <<~SQL
      ALTER TABLE fixes DROP COLUMN proof, DROP COLUMN claimed_at, DROP COLUMN proved_at, DROP COLUMN notes;
      ALTER TABLE sites DROP COLUMN fixes_of_crawl, DROP COLUMN last_fix_number;
    SQL
  end
end
