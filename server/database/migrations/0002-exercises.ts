import type { Knex } from 'knex';

/** Courses, exercises, their immutable published revisions, and where these are open. */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    create table course (
      id uuid primary key default gen_random_uuid(),
      title text not null,
      owner_id uuid not null references staff,
      created_at timestamptz not null default now()
    );

    create table exercise (
      id uuid primary key default gen_random_uuid(),
      course_id uuid not null references course on delete cascade,
      slug text not null,
      position integer not null,
      -- The state that is being worked on, in the exchange format.
      draft jsonb not null,
      updated_at timestamptz not null default now(),
      unique (course_id, slug)
    );

    create table revision (
      id uuid primary key default gen_random_uuid(),
      exercise_id uuid not null references exercise on delete cascade,
      number integer not null,
      content jsonb not null,
      published_by uuid not null references staff,
      published_at timestamptz not null default now(),
      unique (exercise_id, number)
    );

    create function refuse_change() returns trigger language plpgsql as $$
    begin
      -- Erasing a person's data is the one privileged path; it says so for its own transaction.
      if tg_op = 'DELETE' and current_setting('didaktor.erasing', true) = 'on' then
        return old;
      end if;
      raise exception '% is append-only', tg_table_name;
    end $$;

    create trigger revision_is_immutable before update or delete on revision
      for each row execute function refuse_change();

    create table publication (
      id uuid primary key default gen_random_uuid(),
      revision_id uuid not null references revision,
      class_id uuid not null references class on delete cascade,
      opened_at timestamptz not null default now(),
      closed_at timestamptz,
      unique (revision_id, class_id)
    );
    create index publication_class on publication (class_id);
  `);
}

export async function down(db: Knex): Promise<void> {
  await db.raw('drop table publication, revision, exercise, course; drop function refuse_change()');
}
