# frozen_string_literal: true

# Sites and crawls that were taken away can be brought back for a day; another site may have the name meanwhile.
class TakeAwayAndBringBack < ActiveRecord::Migration[7.2]
  def change
    %i[sites crawls].each do |table|
      add_column table, :removed_at, :timestamptz
      add_column table, :removed_by, :text
    end
    remove_index :sites, :name, unique: true
    add_index :sites, :name, unique: true, where: "removed_at IS NULL"
  end
end
