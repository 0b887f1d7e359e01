import type { Knex } from 'knex';

/** Tries at the door, sessions that rest, drafts on the server, and whose a course or board is. */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    -- Failed tries in a row, by whoever they were for; the wait grows with each.
    create table sign_in_try (
      subject text primary key,
      tries integer not null,
      last_at timestamptz not null default now()
    );
    delete from rate_limit;

    -- Devices on which somebody was signed in: what strangers try elsewhere does not count there.
    create table known_device (
      owner_id uuid not null,
      device_hash text not null,
      seen_at timestamptz not null default now(),
      primary key (owner_id, device_hash)
    );

    alter table session add column seen_at timestamptz not null default now();

    alter table class
      -- Until when names that nobody has claimed may be claimed without a slip.
      add column joining_until timestamptz;
    alter table learner
      -- Of the code on a slip of paper, with which a name is claimed.
      add column slip_hash text;

    alter table audit add column detail text not null default '';
    create index audit_at on audit (at);

    create table setting (name text primary key, value text not null);

    -- What a learner has on the bench, for the next tablet.
    create table bench_draft (
      learner_id uuid not null references learner on delete cascade,
      publication_id uuid not null references publication on delete cascade,
      content text not null,
      updated_at timestamptz not null default now(),
      primary key (learner_id, publication_id)
    );

    -- Who besides its owner may look at a course or a board, or change it.
    alter table course add column visible_to text not null default 'all' check (visible_to in ('all', 'shared'));
    create table course_share (
      course_id uuid not null references course on delete cascade,
      staff_id uuid not null references staff on delete cascade,
      may text not null check (may in ('look', 'edit')),
      primary key (course_id, staff_id)
    );
    alter table board_profile
      add column visible_to text not null default 'all' check (visible_to in ('all', 'shared'));
    create table board_share (
      board_id uuid not null references board_profile on delete cascade,
      staff_id uuid not null references staff on delete cascade,
      may text not null check (may in ('look', 'edit')),
      primary key (board_id, staff_id)
    );
  `);
}

export async function down(db: Knex): Promise<void> {
  await db.raw(`
    drop table board_share, course_share, bench_draft, setting, known_device, sign_in_try;
    alter table board_profile drop column visible_to;
    alter table course drop column visible_to;
    drop index audit_at;
    alter table audit drop column detail;
    alter table learner drop column slip_hash;
    alter table class drop column joining_until;
    alter table session drop column seen_at;
  `);
}
