# frozen_string_literal: true

# How a site's business is to be written everywhere, and how lists elsewhere write it.
class KeepBusinessFacts < ActiveRecord::Migration[7.2]
  def change
    add_column :sites, :business_facts, :jsonb, null: false, default: {}
  end
end
