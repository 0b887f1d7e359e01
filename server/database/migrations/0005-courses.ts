import type { Knex } from 'knex';

/** Lessons, house rules, what was changed in drafts and by whom, and boards that users made. */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    alter table course add column rules jsonb not null default '{}';

    create table lesson (
      id uuid primary key default gen_random_uuid(),
      course_id uuid not null references course on delete cascade,
      position integer not null,
      title text not null,
      minutes integer not null default 90 check (minutes between 5 and 600)
    );
    create index lesson_course on lesson (course_id, position);

    alter table exercise
      add column lesson_id uuid references lesson on delete set null,
      -- Counts the changes of the draft, so that editors can ask what they have missed.
      add column version integer not null default 0;

    create table edit (
      exercise_id uuid not null references exercise on delete cascade,
      version integer not null,
      author_id uuid not null references staff,
      at timestamptz not null default now(),
      changes jsonb not null,
      primary key (exercise_id, version)
    );

    create table board_profile (
      id uuid primary key default gen_random_uuid(),
      -- The profile's own id, by which exercises name it.
      slug text not null unique,
      content jsonb not null,
      made_by uuid not null references staff,
      updated_at timestamptz not null default now()
    );
  `);
}

export async function down(db: Knex): Promise<void> {
  await db.raw(`
    drop table board_profile, edit;
    alter table exercise drop column version, drop column lesson_id;
    drop table lesson;
    alter table course drop column rules;
  `);
}
