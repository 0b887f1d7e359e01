import type { Knex } from 'knex';

/**
 * Hand-ins are stored first and judged elsewhere. What is judged has a key, made of revision, circuit, program,
 * what was seen, and engine: a report belongs to a key, and hand-ins of the same key share it.
 */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    alter table submission disable trigger submission_is_append_only;
    alter table report disable trigger report_is_append_only;

    alter table submission add column judging_key text;
    update submission set judging_key = id::text;
    alter table submission alter column judging_key set not null;
    create index submission_judging_key on submission (judging_key);

    alter table report
      add column key text,
      -- Codes of the causes, first to last, so that lists need not open the reports.
      add column causes text[] not null default '{}';
    delete from report using report as later
      where later.submission_id = report.submission_id
        and (later.made_at, later.id) > (report.made_at, report.id);
    update report set
      key = submission_id::text,
      causes = coalesce(
        (select array_agg(found.finding->>'code' order by found.place)
           from jsonb_array_elements(content::jsonb->'findings') with ordinality as found (finding, place)
          where (found.finding->>'cause')::boolean),
        '{}');
    alter table report
      alter column key set not null,
      add constraint report_key unique (key),
      drop column submission_id;

    alter table submission enable trigger submission_is_append_only;
    alter table report enable trigger report_is_append_only;

    -- What waits to be judged, or is being checked; a row goes when its report is written.
    create table judging (
      key text primary key,
      queued_at timestamptz not null default clock_timestamp(),
      started_at timestamptz,
      tries integer not null default 0
    );
    create index judging_queue on judging (queued_at);

    -- What kept something from being checked, for the developer.
    create table judging_failure (
      id bigint generated always as identity primary key,
      key text not null,
      at timestamptz not null default now(),
      obstacle text not null,
      detail text not null,
      engine text not null
    );

    -- Worker processes, each with its last sign of life.
    create table worker (
      id text primary key,
      began_at timestamptz not null default now(),
      seen_at timestamptz not null default now()
    );
  `);
}

export async function down(db: Knex): Promise<void> {
  await db.raw(`
    drop table worker, judging_failure, judging;
    alter table report disable trigger report_is_append_only;
    alter table report add column submission_id uuid references submission on delete cascade;
    update report set submission_id =
      (select id from submission where judging_key = report.key order by handed_in_at limit 1);
    delete from report where submission_id is null;
    alter table report
      alter column submission_id set not null,
      drop column key,
      drop column causes;
    create index report_submission on report (submission_id, made_at);
    alter table report enable trigger report_is_append_only;
    alter table submission drop column judging_key;
  `);
}
