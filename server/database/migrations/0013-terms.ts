import type { Knex } from 'knex';

/** When an exercise is due, how long a learner has worked on it, and hand-ins that staff bring in from outside. */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    -- What is handed in later is late, and is taken all the same as long as it is open.
    alter table publication add column due_at timestamptz;

    -- Counted between two changes that follow each other closely: a tablet that lies there is nobody working.
    alter table bench_draft add column worked_seconds integer not null default 0;
    alter table submission
      -- What the bench had counted then; null where that is not known.
      add column worked_seconds integer,
      -- Who has brought it in; null for what a learner handed in.
      add column brought_by uuid references staff;
  `);
}

export async function down(db: Knex): Promise<void> {
  await db.raw(`
    alter table submission drop column brought_by, drop column worked_seconds;
    alter table bench_draft drop column worked_seconds;
    alter table publication drop column due_at;
  `);
}
