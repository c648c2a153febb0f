# frozen_string_literal: true

# How long a slow page took when it was asked again, whether a page asks for a password, how large an image is shown
# (the larger of its width and height), and what the answer to a made-up address says beside its headings and
# navigation.
class ReadPagesMoreClosely < ActiveRecord::Migration[7.2]
  def change
    add_column :page_facts, :again_ms, :integer
    add_column :page_facts, :password, :boolean
    add_column :links, :px, :smallint
    change_table :host_probes, bulk: true do |t|
      t.jsonb :outline
      t.integer :frames, array: true
      t.integer :menus, array: true
    end
  end
end
