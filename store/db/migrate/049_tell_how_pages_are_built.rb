# frozen_string_literal: true

# How each page is built, which template that is, and page groups by it: several patterns are a line each.
class TellHowPagesAreBuilt < ActiveRecord::Migration[7.2]
  def change
    add_column(:page_facts, :skeleton, :text)
    add_column(:ledger_rows, :template, :text)
    add_column(:verdict_runs, :templates, :jsonb, null: false, default: [])
    add_column(:page_groups, :template, :text)
  end
end
