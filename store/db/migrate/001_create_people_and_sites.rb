# frozen_string_literal: true

# Who works here, and what their audits are about.
class CreatePeopleAndSites < ActiveRecord::Migration[7.2]
  def change
    create_table :users do |t|
      t.text :email, null: false
      t.text :name, null: false
      t.text :password_digest, null: false
      t.text :role, null: false, default: "auditor"
      t.timestamps
      t.index "lower(email)", unique: true, name: "index_users_on_email"
    end

    create_table :sites do |t|
      t.text :name, null: false
      t.jsonb :settings, null: false
      t.timestamps
      t.index :name, unique: true
    end

    create_table :page_groups do |t|
      t.references :site, null: false, foreign_key: {on_delete: :cascade}
      t.integer :position, null: false
      t.text :name, null: false
      t.text :pattern, null: false
      t.text :intent
    end

    create_table :intents do |t|
      t.references :site, null: false, foreign_key: {on_delete: :cascade}
      t.integer :position, null: false
      t.text :pattern, null: false
      t.text :intent, null: false
    end

    # What nobody else should read, encrypted: a site's, and those of each crawl as they were when it began.
    create_table :secrets do |t|
      t.references :site, null: false, foreign_key: {on_delete: :cascade}
      t.bigint :crawl_id
      t.text :content, null: false
      t.index %i[site_id crawl_id], unique: true, nulls_not_distinct: true
    end

    create_table :timetables do |t|
      t.references :site, null: false, foreign_key: {on_delete: :cascade}, index: {unique: true}
      t.text :cron, null: false
      t.text :time_zone, null: false
      t.timestamptz :next_at, null: false
      t.timestamptz :last_at
      t.index :next_at
    end

    create_table :key_pages do |t|
      t.references :site, null: false, foreign_key: {on_delete: :cascade}
      t.text :url, null: false
    end
  end
end
