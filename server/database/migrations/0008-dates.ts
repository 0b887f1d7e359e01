import type { Knex } from 'knex';

/**
 * Exercises open and close at a time and for some; a bench knows which of its states the tablets have agreed on; and
 * a hand-in has what its learner says that it does.
 */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    alter table publication
      add column opens_at timestamptz,
      add column closes_at timestamptz,
      add constraint opens_before_it_closes check (opens_at is null or closes_at is null or opens_at < closes_at);

    -- Whom a publication is for; nobody named here means the whole class.
    create table publication_learner (
      publication_id uuid not null references publication on delete cascade,
      learner_id uuid not null references learner on delete cascade,
      primary key (publication_id, learner_id)
    );

    -- Counts what the server has been given of a bench, so that who is overtaken by another tablet is told.
    alter table bench_draft add column version integer not null default 1;

    -- What a learner says that theirs does, where the exercise leaves that open.
    alter table submission add column stated jsonb;
  `);
}

export async function down(db: Knex): Promise<void> {
  await db.raw(`
    alter table submission drop column stated;
    alter table bench_draft drop column version;
    drop table publication_learner;
    alter table publication drop column opens_at, drop column closes_at;
  `);
}
