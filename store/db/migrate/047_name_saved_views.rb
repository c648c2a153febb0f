# frozen_string_literal: true

# Saved views have one name in every layer.
class NameSavedViews < ActiveRecord::Migration[7.2]
  def change
    rename_table(:lenses, :saved_views)
  end
end
