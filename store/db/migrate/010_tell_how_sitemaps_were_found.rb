# frozen_string_literal: true

# How each sitemap file came to be known: named by robots.txt, at a usual address, given in the settings, named by
# another file.
class TellHowSitemapsWereFound < ActiveRecord::Migration[7.2]
  def change
    add_column :sitemap_files, :found, :text
    reversible do |direction|
      direction.up do
        execute <<~SQL
          UPDATE sitemap_files SET found = CASE WHEN parent IS NULL THEN 'settings' WHEN parent LIKE '%/robots.txt' THEN
            'robots' ELSE 'file' END
        SQL
      end
    end
    change_column_null :sitemap_files, :found, false
  end
end
