# frozen_string_literal: true

# A fix is proved by what the site answers alone: faults that went since somebody judges otherwise now are kept apart
# (lapsed). By which rules and settings the fixes of a site were made, and who changed those last. Grades of a fix's
# URLs are told by their words.
class ProveByTheSiteAlone < ActiveRecord::Migration[7.2]
  def up
    execute <<~SQL
      ALTER TABLE fixes ADD COLUMN lapsed jsonb NOT NULL DEFAULT '[]';
      ALTER TABLE sites ADD COLUMN fixes_of_rules text, ADD COLUMN judging_changed_by text;
      UPDATE fixes SET urls = (
        SELECT jsonb_agg(one || jsonb_build_object('grade', CASE WHEN (one ->> 'grade')::numeric >= 1 THEN 'stops'
          WHEN (one ->> 'grade')::numeric >= 0.6 THEN 'diverts' ELSE 'weakens' END))
        FROM jsonb_array_elements(urls) one
      ) WHERE jsonb_typeof(urls -> 0 -> 'grade') = 'number';
    SQL
  end

  def down
    execute <<~SQL
      ALTER TABLE fixes DROP COLUMN lapsed;
      ALTER TABLE sites DROP COLUMN fixes_of_rules, DROP COLUMN judging_changed_by;
      UPDATE fixes SET urls = (
        SELECT jsonb_agg(one || jsonb_build_object('grade', CASE one ->> 'grade' WHEN 'stops' THEN 1.0
          WHEN 'diverts' THEN 0.6 ELSE 0.2 END))
        FROM jsonb_array_elements(urls) one
      ) WHERE jsonb_typeof(urls -> 0 -> 'grade') = 'string';
    SQL
  end
end
