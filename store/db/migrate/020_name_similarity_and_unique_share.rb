# frozen_string_literal: true

# The two columns are called as they are asked about; saved views and limits follow.
class NameSimilarityAndUniqueShare < ActiveRecord::Migration[7.2]
  NAMES = {"likeness" => "similarity", "own_share" => "unique_share"}.freeze

  def up = NAMES.each { |old, new| call_it(old, new) }

  def down = NAMES.each { |old, new| call_it(new, old) }

  private

  def call_it(old, new)
    rename_column :ledger_rows, old, new
    %w[sites page_groups].each { |table| rename_limit(table, "little_#{old}", "little_#{new}") }
    execute <<~SQL
      UPDATE lenses SET
        conditions = replace(conditions::text, '"#{old}"', '"#{new}"')::json,
        columns = array_replace(columns, '#{old}', '#{new}'),
        sort = regexp_replace(sort, '^(-?)#{old}$', '\\1#{new}')
    SQL
  end

  def rename_limit(table, old, new)
    execute <<~SQL
      UPDATE #{table} SET thresholds = (thresholds - '#{old}') || jsonb_build_object('#{new}', thresholds -> '#{old}')
      WHERE thresholds ? '#{old}'
    SQL
  end
end
