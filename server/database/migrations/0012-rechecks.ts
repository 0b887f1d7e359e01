import type { Knex } from 'knex';

/** Hand-ins that are checked again, with what was said of them before and since. */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    create or replace function refuse_change() returns trigger language plpgsql as $$
    begin
      -- Erasing a person's data is one privileged path, checking again the other; each says so for its own transaction.
      if tg_op = 'DELETE' and current_setting('didaktor.erasing', true) = 'on' then
        return old;
      end if;
      if tg_op = 'UPDATE' and tg_table_name = 'submission' and current_setting('didaktor.rechecking', true) = 'on'
         and to_jsonb(new) - 'judging_key' = to_jsonb(old) - 'judging_key' then
        return new;
      end if;
      raise exception '% is append-only', tg_table_name;
    end $$;

    create table recheck (
      id uuid primary key default gen_random_uuid(),
      publication_id uuid not null references publication on delete cascade,
      -- The revision by which they are checked: the one that is open now.
      revision_id uuid not null references revision,
      started_by uuid not null references staff,
      started_at timestamptz not null default now(),
      ended_at timestamptz,
      cancelled_at timestamptz
    );
    create unique index recheck_running on recheck (publication_id) where ended_at is null and cancelled_at is null;

    create table rechecked (
      recheck_id uuid not null references recheck on delete cascade,
      submission_id uuid not null references submission on delete cascade,
      before_key text not null,
      -- Null while it waits.
      after_key text,
      primary key (recheck_id, submission_id)
    );
    create index rechecked_submission on rechecked (submission_id);
  `);
}

export async function down(db: Knex): Promise<void> {
  await db.raw(`
    drop table rechecked, recheck;
    create or replace function refuse_change() returns trigger language plpgsql as $$
    begin
      if tg_op = 'DELETE' and current_setting('didaktor.erasing', true) = 'on' then
        return old;
      end if;
      raise exception '% is append-only', tg_table_name;
    end $$;
  `);
}
