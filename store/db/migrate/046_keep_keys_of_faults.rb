# frozen_string_literal: true

# What a fix holds, and what was set aside, keeps the key of its fault. Of what a verdict run tells still it is that
# one's; of all else it is worked out from code, URL and what it is about.
class KeepKeysOfFaults < ActiveRecord::Migration[7.2]
  TOLD = <<~SQL
    (SELECT t.identity::text FROM faults t, sites s WHERE s.id = %<of>s.site_id AND t.run_id = s.fixes_of_run
      AND t.code = %<code>s AND t.url IS NOT DISTINCT FROM %<url>s AND t.about IS NOT DISTINCT FROM %<about>s LIMIT 1)
  SQL

  def up
    element = format(TOLD, of: "f", code: "one ->> 'code'", url: "one ->> 'url'", about: "one ->> 'about'")
    execute <<~SQL
      UPDATE fixes f SET faults = (
        SELECT jsonb_agg(one || jsonb_strip_nulls(jsonb_build_object('key', #{element})) ORDER BY place)
        FROM jsonb_array_elements(f.faults) WITH ORDINALITY held(one, place)
      ) WHERE jsonb_array_length(f.faults) > 0;
      ALTER TABLE set_aside_faults ADD COLUMN key text;
      UPDATE set_aside_faults a SET key = #{format(TOLD, of: "a", code: "a.code", url: "a.url", about: "a.about")};
    SQL
  end

  def down
    execute <<~SQL
      UPDATE fixes SET faults = (SELECT jsonb_agg(one - 'key' ORDER BY place)
        FROM jsonb_array_elements(faults) WITH ORDINALITY held(one, place)) WHERE jsonb_array_length(faults) > 0;
      ALTER TABLE set_aside_faults DROP COLUMN key;
    SQL
  end
end
