import type { Knex } from 'knex';

/** How far each learner has come in making a board ready. */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    create table bring_up (
      learner_id uuid not null references learner on delete cascade,
      board text not null,
      system text not null check (system in ('desktop', 'school-laptop', 'tablet')),
      -- The step that is open, or the last one when all are done.
      step text not null,
      is_ready boolean not null default false,
      at timestamptz not null default clock_timestamp(),
      primary key (learner_id, board)
    );
    create trigger tells_room after insert or update on bring_up for each row execute function tell_room();
  `);
}

export async function down(db: Knex): Promise<void> {
  await db.raw('drop table bring_up');
}
