# frozen_string_literal: true

# A fix that asks what should be indexed names the page groups of which nothing was said yet.
class KeepGroupsThatFixesAskAbout < ActiveRecord::Migration[7.2]
  def change
    add_column(:fixes, :groups, :jsonb, null: false, default: [])
  end
end
