import type { Knex } from 'knex';

/** What reviewers decide of hand-ins, the shape of a circuit that was handed in, and circuits accepted for good. */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    -- Hash of the circuit's shape, the same for the same circuit in other holes; null for what could not be read, or
    -- was judged before there were shapes.
    alter table report disable trigger report_is_append_only;
    alter table report add column shape text;
    -- Earned by the scenarios, and of how many.
    alter table report add column marks_earned numeric, add column marks_of numeric;
    update report set
      marks_earned = (content::jsonb #>> '{marks,earned}')::numeric,
      marks_of = (content::jsonb #>> '{marks,of}')::numeric;
    alter table report enable trigger report_is_append_only;

    create table decision (
      id bigint generated always as identity primary key,
      submission_id uuid not null references submission on delete cascade,
      made_by uuid not null references staff,
      made_at timestamptz not null default clock_timestamp(),
      -- What becomes of the hand-in; null for a remark alone.
      outcome text check (outcome in ('accepted', 'returned')),
      remark text not null default '',
      -- Marks in place of those that were worked out, with the reason.
      marks numeric(6, 2) check (marks >= 0),
      reason text not null default '',
      check (outcome is not null or remark <> '' or marks is not null),
      check (marks is null or reason <> '')
    );
    create index decision_submission on decision (submission_id, id);
    create trigger decision_is_append_only before update or delete on decision
      for each row execute function refuse_change();

    -- Circuits that do the job in another way, accepted for an exercise whoever builds them.
    create table accepted_circuit (
      exercise_id uuid not null references exercise on delete cascade,
      shape text not null,
      made_by uuid not null references staff,
      made_at timestamptz not null default now(),
      primary key (exercise_id, shape)
    );
  `);
}

export async function down(db: Knex): Promise<void> {
  await db.raw(`
    drop table accepted_circuit, decision;
    alter table report drop column marks_of, drop column marks_earned, drop column shape;
  `);
}
