import type { Knex } from 'knex';

/** Hand-ins and their reports: append-only; a report is canonical text with its hash. */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    create table submission (
      id uuid primary key default gen_random_uuid(),
      publication_id uuid not null references publication,
      learner_id uuid not null references learner on delete cascade,
      -- Made on the tablet, so that the same hand-in twice is one.
      client_id text not null check (length(client_id) between 8 and 64),
      attempt integer not null,
      wiring text not null,
      program text not null,
      sighting text check (sighting in ('right', 'dark', 'faint', 'other')),
      hints_taken integer not null default 0,
      handed_in_at timestamptz not null default now(),
      unique (learner_id, client_id),
      unique (publication_id, learner_id, attempt)
    );
    create index submission_publication on submission (publication_id, handed_in_at);

    create table report (
      id uuid primary key default gen_random_uuid(),
      submission_id uuid not null references submission on delete cascade,
      content text not null,
      content_hash text not null,
      verdict text not null,
      engine text not null,
      made_at timestamptz not null default now()
    );
    create index report_submission on report (submission_id, made_at);

    create trigger submission_is_append_only before update or delete on submission
      for each row execute function refuse_change();
    create trigger report_is_append_only before update or delete on report
      for each row execute function refuse_change();
  `);
}

export async function down(db: Knex): Promise<void> {
  await db.raw('drop table report, submission');
}
