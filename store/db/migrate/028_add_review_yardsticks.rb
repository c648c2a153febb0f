# frozen_string_literal: true

# What pages of a site are held against in the content audit; nothing for ours.
class AddReviewYardsticks < ActiveRecord::Migration[7.2]
  def change
    add_column :sites, :review_yardsticks, :jsonb
  end
end
