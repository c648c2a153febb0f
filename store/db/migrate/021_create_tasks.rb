# frozen_string_literal: true

# What somebody asked for and a worker does, with how far it is and what came of it.
class CreateTasks < ActiveRecord::Migration[7.0]
  def change
    create_table :tasks do |t|
      t.text :kind, null: false
      t.jsonb :input, null: false
      t.text :state, null: false, default: "waiting"
      t.integer :done
      t.integer :total
      t.jsonb :result
      t.jsonb :problem
      t.timestamptz :asked_at, null: false
      t.timestamptz :ended_at
    end
  end
end
