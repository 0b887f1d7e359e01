import type { Knex } from 'knex';

/** Staff, classes with their rosters, sessions, and the audit trail. */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    create table staff (
      id uuid primary key default gen_random_uuid(),
      login text not null unique check (login = lower(login)),
      name text not null,
      role text not null check (role in ('instructor', 'assistant')),
      password_hash text not null,
      created_at timestamptz not null default now()
    );

    create table class (
      id uuid primary key default gen_random_uuid(),
      name text not null,
      -- What students type to join; upper case, no letters that look alike.
      code text not null unique check (code ~ '^[A-Z0-9]{4,12}$'),
      created_at timestamptz not null default now()
    );

    create table class_staff (
      class_id uuid not null references class on delete cascade,
      staff_id uuid not null references staff on delete cascade,
      primary key (class_id, staff_id)
    );

    create table learner (
      id uuid primary key default gen_random_uuid(),
      class_id uuid not null references class on delete cascade,
      name text not null,
      -- Set when the learner first joins and chooses a private word.
      word_hash text,
      joined_at timestamptz,
      unique (class_id, name)
    );

    create table session (
      token_hash text primary key,
      staff_id uuid references staff on delete cascade,
      learner_id uuid references learner on delete cascade,
      created_at timestamptz not null default now(),
      expires_at timestamptz not null,
      check ((staff_id is null) <> (learner_id is null))
    );
    create index session_expires on session (expires_at);

    create table audit (
      id bigint generated always as identity primary key,
      at timestamptz not null default now(),
      actor text not null,
      action text not null,
      subject text not null
    );
  `);
}

export async function down(db: Knex): Promise<void> {
  await db.raw('drop table audit, session, learner, class_staff, class, staff');
}
