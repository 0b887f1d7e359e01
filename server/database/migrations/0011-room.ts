import type { Knex } from 'knex';

/** What the room board is made of: checks as they are made, calls for help, and word of whatever changes in a class. */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    create table bench_check (
      id bigint generated always as identity primary key,
      learner_id uuid not null references learner on delete cascade,
      publication_id uuid not null references publication on delete cascade,
      at timestamptz not null default clock_timestamp(),
      passed boolean not null,
      -- The first cause: its code, and what is said of it.
      cause text,
      note text not null default ''
    );
    create index bench_check_learner on bench_check (learner_id, at desc);
    create index bench_draft_learner on bench_draft (learner_id, updated_at desc);

    create table help_call (
      id uuid primary key default gen_random_uuid(),
      learner_id uuid not null references learner on delete cascade,
      publication_id uuid not null references publication on delete cascade,
      called_at timestamptz not null default clock_timestamp(),
      taken_by uuid references staff,
      taken_at timestamptz,
      ended_at timestamptz
    );
    -- A learner calls once until the call is over.
    create unique index help_call_open on help_call (learner_id) where ended_at is null;

    create function tell_room() returns trigger language plpgsql as $$
    declare
      whose uuid;
    begin
      if tg_op = 'DELETE' then whose := old.learner_id; else whose := new.learner_id; end if;
      if whose is not null then
        perform pg_notify('room', class_id::text) from learner where id = whose;
      end if;
      return null;
    end $$;
    create function tell_room_of_report() returns trigger language plpgsql as $$
    begin
      perform pg_notify('room', class_id::text) from (
        select distinct learner.class_id from submission join learner on learner.id = submission.learner_id
         where submission.judging_key = new.key) as classes;
      return null;
    end $$;

    create trigger tells_room after insert on bench_check for each row execute function tell_room();
    create trigger tells_room after insert or update on help_call for each row execute function tell_room();
    create trigger tells_room after insert or update on bench_draft for each row execute function tell_room();
    create trigger tells_room after insert or delete on session for each row execute function tell_room();
    create trigger tells_room after insert on submission for each row execute function tell_room();
    create trigger tells_room after insert on report for each row execute function tell_room_of_report();
  `);
}

export async function down(db: Knex): Promise<void> {
  await db.raw(`
    drop trigger tells_room on report;
    drop trigger tells_room on submission;
    drop trigger tells_room on session;
    drop trigger tells_room on bench_draft;
    drop table help_call, bench_check;
    drop index bench_draft_learner;
    drop function tell_room_of_report();
    drop function tell_room();
  `);
}
