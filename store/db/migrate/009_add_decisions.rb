# frozen_string_literal: true

# What the auditor settled, and what follows from it: one row a decision, never changed but by being undone; the newest
# for a subject that wasn't undone is in force. Intents of patterns and of groups, which had tables of their own, are
# decisions like others.
class AddDecisions < ActiveRecord::Migration[7.2]
  def change
    create_table :decisions do |t|
      t.references :site, null: false, foreign_key: {on_delete: :cascade}, index: false
      # intent, group, canonical, route, languages, robots, sitemaps, repoint
      t.text :kind, null: false
      # A URL or pattern, a group's name, an origin.
      t.text :subject, null: false
      # What was settled; null where what was settled before shall hold no more.
      t.jsonb :value
      t.text :note
      t.text :made_by, null: false
      t.timestamptz :made_at, null: false
      t.text :undone_by
      t.timestamptz :undone_at
      t.index %i[site_id kind subject id], where: "undone_at IS NULL", name: "decisions_in_force"
      t.index %i[site_id made_at]
    end

    # What a server answered to the source of a route, and whether that is what the route says.
    create_table :route_tests do |t|
      t.references :site, null: false, foreign_key: {on_delete: :cascade}, index: false
      t.text :source, null: false
      t.integer :status
      t.text :location
      t.text :error
      t.boolean :right, null: false
      t.timestamptz :tested_at, null: false
      t.index %i[site_id source], unique: true
    end

    # Where lost addresses could lead, worked out in a job for one judged crawl.
    create_table :route_suggestions, id: false do |t|
      t.bigint :run_id, null: false
      t.bigint :url_id, null: false
      t.jsonb :suggestions, null: false
      t.index %i[run_id url_id], unique: true
    end

    # A set of sitemap files as it was built, to be downloaded.
    create_table :sitemap_builds do |t|
      t.references :site, null: false, foreign_key: {on_delete: :cascade}
      t.bigint :run_id, null: false
      t.text :state, null: false
      t.text :message
      t.timestamptz :asked_at, null: false
      t.timestamptz :built_at
      t.integer :urls, null: false, default: 0
    end
    create_table :built_sitemaps do |t|
      t.references :sitemap_build, null: false, foreign_key: {on_delete: :cascade}
      t.text :host, null: false
      t.text :name, null: false
      t.integer :urls, null: false
      t.bigint :bytes, null: false
      t.timestamptz :lastmod
      t.binary :content, null: false
      t.index %i[sitemap_build_id host name], unique: true
    end

    # What was decided for a URL, and of what: itself, a pattern, its group.
    change_table :ledger_rows, bulk: true do |t|
      t.text :intent_of
      t.text :intent_subject
      t.boolean :follow
      t.text :chosen_canonical
    end
    add_column :verdict_runs, :suggested_at, :timestamptz
    # Languages summed up for their screen.
    add_column :verdict_runs, :languages, :jsonb
    add_foreign_key :route_suggestions, :verdict_runs, column: :run_id, on_delete: :cascade

    reversible do |direction|
      direction.up { move_up }
      direction.down { move_down }
    end
  end

  private

  def move_up
    execute <<~SQL
      INSERT INTO decisions (site_id, kind, subject, value, made_by, made_at)
      SELECT site_id, 'intent', pattern, jsonb_build_object('intent', intent), 'site settings', current_timestamp FROM
        intents ORDER BY site_id, position DESC;
      INSERT INTO decisions (site_id, kind, subject, value, made_by, made_at)
      SELECT site_id, 'group', name, jsonb_build_object('intent', intent), 'site settings', current_timestamp FROM
        page_groups WHERE intent IS NOT NULL;
      DROP TABLE intents;
      ALTER TABLE page_groups DROP COLUMN intent;
    SQL
  end

  def move_down
    add_column :page_groups, :intent, :text
    create_table :intents do |t|
      t.references :site, null: false, foreign_key: {on_delete: :cascade}
      t.integer :position, null: false
      t.text :pattern, null: false
      t.text :intent, null: false
    end
    execute <<~SQL
      INSERT INTO intents (site_id, position, pattern, intent)
      SELECT site_id, row_number() OVER (PARTITION BY site_id ORDER BY id DESC) - 1, subject, value->>'intent'
      FROM (SELECT DISTINCT ON (site_id, subject) * FROM decisions WHERE kind = 'intent' AND undone_at IS NULL ORDER BY
        site_id, subject, id DESC) d WHERE value->>'intent' IS NOT NULL;
      UPDATE page_groups g SET intent = d.value->>'intent'
      FROM (SELECT DISTINCT ON (site_id, subject) * FROM decisions WHERE kind = 'group' AND undone_at IS NULL ORDER BY
        site_id, subject, id DESC) d WHERE d.site_id = g.site_id AND d.subject = g.name;
    SQL
  end
end
