# frozen_string_literal: true

# What a fix holds, and what was set aside, keeps the key of its fault, as the verdict run tells it of which the fixes
# are. Of what that run doesn't tell it is worked out from code, URL and what it is about when it is asked for.
class KeepKeysOfFaults < ActiveRecord::Migration[7.2]
  # One of those that share code, URL and what they are about, which told them apart nowhere before.
  TOLD = <<~SQL
    (SELECT DISTINCT ON (run_id, code, url, about) run_id, code, coalesce(url, '') AS url, about, identity::text AS key
      FROM faults WHERE run_id IN (SELECT fixes_of_run FROM sites) ORDER BY run_id, code, url, about, identity)
  SQL

  def up
    execute <<~SQL
      UPDATE fixes f SET faults = keyed.faults FROM (
        SELECT f.id, jsonb_agg(one || jsonb_strip_nulls(jsonb_build_object('key', t.key)) ORDER BY nth) AS faults
        FROM fixes f JOIN sites s ON s.id = f.site_id
        CROSS JOIN jsonb_array_elements(f.faults) WITH ORDINALITY held(one, nth)
        LEFT JOIN #{TOLD} t ON t.run_id = s.fixes_of_run AND t.code = one ->> 'code'
          AND t.url = coalesce(one ->> 'url', '') AND t.about IS NOT DISTINCT FROM one ->> 'about'
        GROUP BY f.id
      ) keyed WHERE keyed.id = f.id;
      ALTER TABLE set_aside_faults ADD COLUMN key text;
      UPDATE set_aside_faults a SET key = t.key FROM sites s, #{TOLD} t
      WHERE s.id = a.site_id AND t.run_id = s.fixes_of_run AND t.code = a.code AND t.url = coalesce(a.url, '')
        AND t.about IS NOT DISTINCT FROM a.about;
    SQL
  end

  def down
    execute <<~SQL
      UPDATE fixes SET faults = (SELECT jsonb_agg(one - 'key' ORDER BY nth)
        FROM jsonb_array_elements(faults) WITH ORDINALITY held(one, nth)) WHERE jsonb_array_length(faults) > 0;
      ALTER TABLE set_aside_faults DROP COLUMN key;
    SQL
  end
end
