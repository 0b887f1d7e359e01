import type { Knex } from 'knex';

/** The kit and its history, what a meeting is for and how it runs, cards, own pictures, and values of single benches. */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    create table kit_line (
      id uuid primary key default gen_random_uuid(),
      kind text not null,
      value text not null,
      length_mm integer check (length_mm > 0),
      count integer not null default 0 check (count between 0 and 100000),
      drawer text not null default '',
      -- Counts the bookings, so that two who count at once hear of each other.
      version integer not null default 0,
      -- Taken out of the list; its history stays.
      removed_at timestamptz,
      unique nulls not distinct (kind, value, length_mm)
    );

    create table kit_booking (
      id bigint generated always as identity primary key,
      line_id uuid not null references kit_line on delete cascade,
      at timestamptz not null default now(),
      staff_id uuid not null references staff,
      what text not null check (what in ('counted', 'bought', 'broken', 'lost', 'brought-in', 'moved', 'removed')),
      change integer not null,
      count_after integer not null,
      -- After which meeting it was booked, and how many pieces were out there: the share that breaks follows from it.
      meeting_id uuid references meeting on delete set null,
      out_of integer check (out_of > 0)
    );
    create index kit_booking_line on kit_booking (line_id, id desc);
    create trigger kit_booking_is_kept before delete on kit_booking
      for each row execute function refuse_change();

    alter table class add column per_bench integer not null default 1 check (per_bench between 1 and 20);
    alter table course add column cards jsonb not null default '{}';

    -- What may be done before class to save its time.
    alter table meeting add column prepared text[] not null default '{}';
    create table meeting_exercise (
      meeting_id uuid not null references meeting on delete cascade,
      exercise_id uuid not null references exercise on delete cascade,
      position integer not null,
      primary key (meeting_id, exercise_id)
    );
    create index meeting_exercise_exercise on meeting_exercise (exercise_id);

    create table meeting_run (
      meeting_id uuid primary key references meeting on delete cascade,
      state jsonb not null,
      -- How long stretches have taken, of a meeting that is over as well.
      taken jsonb not null default '{}',
      -- When it was pressed last, in ms; what was pressed before it is not taken any more.
      pressed_at bigint not null
    );

    create table meeting_tick (
      meeting_id uuid not null references meeting on delete cascade,
      item text not null,
      staff_id uuid not null references staff,
      at timestamptz not null default now(),
      primary key (meeting_id, item)
    );

    create table exercise_picture (
      exercise_id uuid not null references exercise on delete cascade,
      id text not null,
      type text not null check (type in ('image/png', 'image/jpeg')),
      bytes bytea not null,
      added_by uuid references staff,
      added_at timestamptz not null default now(),
      primary key (exercise_id, id)
    );

    create table bench_calibration (
      publication_id uuid not null references publication on delete cascade,
      learner_id uuid not null references learner on delete cascade,
      name text not null,
      value double precision not null,
      set_at timestamptz not null default now(),
      primary key (publication_id, learner_id, name)
    );
  `);
}

export async function down(db: Knex): Promise<void> {
  await db.raw(`
    drop table bench_calibration, exercise_picture, meeting_tick, meeting_run, meeting_exercise, kit_booking, kit_line;
    alter table meeting drop column prepared;
    alter table course drop column cards;
    alter table class drop column per_bench;
  `);
}
