# frozen_string_literal: true

# Of some hides only the copy that the index stored is cleared; the page itself stays to be found.
class TellClearedCopies < ActiveRecord::Migration[7.2]
  def change
    add_column :index_hides, :only_copy, :boolean, null: false, default: false
  end
end
