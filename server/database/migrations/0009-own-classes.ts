import type { Knex } from 'knex';

/** Owners, colleagues who come by a link, classes with their terms, meetings and an end, and what outlives an erasure. */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    alter table staff
      drop constraint staff_role_check,
      add constraint staff_role_check check (role in ('owner', 'instructor', 'assistant')),
      -- Who has left signs in no more; what they made keeps its author.
      add column left_at timestamptz;

    alter table class
      add column term text not null default '',
      add column ends_on date,
      -- Days after its end from which on its learners and their work are erased; null for never.
      add column keep_days integer check (keep_days between 0 and 3650),
      -- When one of the two was set: a mistake can be seen and mended before anything goes.
      add column rule_set_at timestamptz not null default now(),
      -- No learner signs in to a class that is closed; one that is archived is out of the way as well.
      add column closed_at timestamptz,
      add column archived_at timestamptz;

    create table meeting (
      id uuid primary key default gen_random_uuid(),
      class_id uuid not null references class on delete cascade,
      starts_at timestamptz not null,
      ends_at timestamptz not null,
      check (starts_at < ends_at),
      unique (class_id, starts_at)
    );

    -- A way in for one person, once: only its hash is kept.
    create table one_time_link (
      token_hash text primary key,
      purpose text not null check (purpose in ('first-owner', 'colleague', 'password')),
      -- What a colleague becomes who comes by it.
      role text check (role in ('owner', 'instructor', 'assistant')),
      -- Whose password it is for.
      staff_id uuid references staff on delete cascade,
      made_by uuid references staff on delete cascade,
      made_at timestamptz not null default now(),
      expires_at timestamptz not null,
      check ((purpose = 'password') = (staff_id is not null)),
      check ((purpose = 'password') = (role is null))
    );

    -- Tries of learners who were erased, for the statistics of their class: without a name, a program, or the day.
    create table past_try (
      id bigint generated always as identity primary key,
      publication_id uuid not null references publication on delete cascade,
      attempt integer not null,
      verdict text not null,
      causes text[] not null,
      hints_taken integer not null,
      week date not null
    );
    create index past_try_publication on past_try (publication_id);
  `);
}

export async function down(db: Knex): Promise<void> {
  await db.raw(`
    drop table past_try, one_time_link, meeting;
    alter table class
      drop column archived_at, drop column closed_at, drop column rule_set_at, drop column keep_days, drop column ends_on, drop column term;
    update staff set role = 'instructor' where role = 'owner';
    alter table staff
      drop column left_at,
      drop constraint staff_role_check,
      add constraint staff_role_check check (role in ('instructor', 'assistant'));
  `);
}
