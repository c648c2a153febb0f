# frozen_string_literal: true

# Which decision about a URL a crawl found carried out, and what lost addresses held in earlier crawls.
class TellWhatWasCarriedOut < ActiveRecord::Migration[7.2]
  def change
    add_column :ledger_rows, :fulfilled, :text
    add_column :route_suggestions, :held, :jsonb
  end
end
