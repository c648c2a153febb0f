# frozen_string_literal: true

# Fixes: work that one person can do in one go. What they clear lies with them, as it is when they were made last, so
# that it stays when a run of verdicts is dropped.
class CreateFixes < ActiveRecord::Migration[7.2]
  def up
    execute <<~SQL
      CREATE TABLE fixes (
        id bigserial PRIMARY KEY,
        site_id bigint NOT NULL REFERENCES sites ON DELETE CASCADE,
        number integer NOT NULL,
        kind text NOT NULL,
        place text NOT NULL,
        cause text NOT NULL,
        template boolean NOT NULL DEFAULT false,
        title text NOT NULL,
        reason text NOT NULL DEFAULT '',
        state text NOT NULL DEFAULT 'open',
        benefit double precision NOT NULL DEFAULT 0,
        hours double precision NOT NULL DEFAULT 0,
        owner text,
        after integer[] NOT NULL DEFAULT '{}',
        own_after integer[] NOT NULL DEFAULT '{}',
        not_before date,
        deadline date,
        locked_start date,
        start date,
        finish date,
        sequence integer NOT NULL DEFAULT 0,
        faults jsonb NOT NULL DEFAULT '[]',
        urls jsonb NOT NULL DEFAULT '[]',
        hand_made boolean NOT NULL DEFAULT false,
        history jsonb NOT NULL DEFAULT '[]',
        made_at timestamptz NOT NULL,
        changed_at timestamptz NOT NULL,
        UNIQUE (site_id, number)
      );
      CREATE INDEX fixes_by_state ON fixes (site_id, state);
      ALTER TABLE sites ADD COLUMN workplan_settings jsonb NOT NULL DEFAULT '{}', ADD COLUMN fixes_of_run bigint,
        ADD COLUMN fixes_made_at timestamptz;
    SQL
  end

  def down
    drop_table :fixes
    execute "ALTER TABLE sites DROP COLUMN workplan_settings, DROP COLUMN fixes_of_run, DROP COLUMN fixes_made_at"
  end
end
