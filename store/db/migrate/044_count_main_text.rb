# frozen_string_literal: true

# A page is thin by its own main text: limits against its group are no more.
class CountMainText < ActiveRecord::Migration[7.2]
  def up
    %w[sites page_groups].each do |table|
      execute("UPDATE #{table} SET thresholds = thresholds - '{thin_share,thin_group_pages}'::text[]")
    end
  end

  def down
  end
end
