# frozen_string_literal: true

# Which pages have a near win is answered by the index alone.
class CoverNearWins < ActiveRecord::Migration[7.2]
  def up
    execute <<~SQL
      CREATE INDEX found_for_by_page ON found_for (run_id, span, url_id) INCLUDE (position, impressions);
      DROP INDEX found_for_by_url;
    SQL
  end

  def down
    execute <<~SQL
      CREATE INDEX found_for_by_url ON found_for (run_id, span, url_id);
      DROP INDEX found_for_by_page;
    SQL
  end
end
