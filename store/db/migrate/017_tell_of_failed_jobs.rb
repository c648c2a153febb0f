# frozen_string_literal: true

# When what pages are judged by was last changed, so that a judging under way is followed by another; and why judging a
# crawl again failed for good.
class TellOfFailedJobs < ActiveRecord::Migration[7.2]
  def change
    add_column :sites, :judging_changed_at, :timestamptz
    add_column :crawls, :judging_error, :text
    rename_column :crawls, :reading_asked_at, :judging_asked_at
  end
end
