# frozen_string_literal: true

# What somebody has to hear of, told once, and to whom it was sent.
class CreateAlerts < ActiveRecord::Migration[7.2]
  def up
    execute <<~SQL
      CREATE TABLE alerts (
        id bigserial PRIMARY KEY,
        site_id bigint NOT NULL REFERENCES sites ON DELETE CASCADE,
        kind text NOT NULL,
        key text NOT NULL,
        what text NOT NULL,
        urls text[] NOT NULL DEFAULT '{}',
        count bigint NOT NULL DEFAULT 0,
        screen text NOT NULL,
        made_at timestamptz NOT NULL,
        seen_at timestamptz,
        UNIQUE (site_id, kind, key)
      );
      CREATE TABLE alert_deliveries (
        id bigserial PRIMARY KEY,
        alert_id bigint NOT NULL REFERENCES alerts ON DELETE CASCADE,
        receiver text NOT NULL,
        sent_at timestamptz,
        tries integer NOT NULL DEFAULT 0,
        error text,
        UNIQUE (alert_id, receiver)
      );
      ALTER TABLE sites ADD COLUMN alert_settings jsonb NOT NULL DEFAULT '{}';
    SQL
  end

  def down
    drop_table :alert_deliveries
    drop_table :alerts
    execute "ALTER TABLE sites DROP COLUMN alert_settings"
  end
end
