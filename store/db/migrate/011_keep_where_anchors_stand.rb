# frozen_string_literal: true

# Of each page's text the lines that are nothing but links, and where links of the main text stand: by link the first
# line, the last one and what it is (Store::Pages::FactsRows::ANCHORS), and the URL that it leads to. So it can be told
# what a listing quotes from where.
class KeepWhereAnchorsStand < ActiveRecord::Migration[7.2]
  def change
    change_table :page_blocks, bulk: true do |t|
      t.integer :menus, array: true
      t.integer :anchors, array: true
      t.bigint :anchor_targets, array: true
    end
  end
end
