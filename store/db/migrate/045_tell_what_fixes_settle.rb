# frozen_string_literal: true

# What needs no work of its own stands in the fix that settles it.
class TellWhatFixesSettle < ActiveRecord::Migration[7.2]
  def change
    add_column(:fixes, :settles, :jsonb, null: false, default: [])
  end
end
