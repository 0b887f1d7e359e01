import { readdir, readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { addDays, addWeeks, format, subWeeks } from 'date-fns';
import type { Knex } from 'knex';
import * as z from 'zod';
import { exerciseFrom, isComplete, languageOf } from '@/core/formats/exercise';
import { bringInKit } from '../lessons/kit-store';
import { publishAsItIs } from '../exercises/publishing';
import { easyWords } from '../people/easy-words';
import { hashSecret } from '../people/secrets';
import { staffRoles, type Viewer } from '../permissions';
import { openDesk } from './desk';
import { loadHistory } from './history';

const peopleSchema = z.object({
  staff: z.array(
    z.object({
      login: z.string(),
      name: z.string(),
      role: z.enum(staffRoles),
      password: z.string(),
    }),
  ),
  classes: z.array(
    z.object({
      name: z.string(),
      code: z.string(),
      term: z.string(),
      /** From when until when it meets, by the clock of this machine, once a week. */
      meeting: z.object({ from: z.string(), until: z.string() }),
      /** Exercises that the class has had, and how many weeks ago. */
      history: z.array(z.object({ exercise: z.string(), weeksAgo: z.number() })).default([]),
      staff: z.array(z.string()),
      word: z.string(),
      learners: z.array(z.string()),
    }),
  ),
});

const courseSchema = z.object({
  title: z.string(),
  lessons: z.array(z.object({ title: z.string(), minutes: z.number(), exercises: z.array(z.string()) })),
});

/** Minutes between two demo hand-ins, so that the list reads like an evening. */
const MINUTES_APART = 3;

/** Loads the demo world from the files under `folder` into an empty database; does nothing when it is there. */
export async function loadDemo(db: Knex, folder: string, now: Date): Promise<void> {
  const [{ count }] = (await db('course').count('* as count')) as [{ count: string }];
  const people = peopleSchema.parse(JSON.parse(await readFile(join(folder, 'classes/people.json'), 'utf8')));
  if (Number(count) > 0) {
    // A demo world of before there were owners has one from now on.
    const owner = await db('staff').where({ role: 'owner' }).first('id');
    if (!owner)
      for (const { login, role } of people.staff) await db('staff').where({ login }).update({ role });
    return;
  }
  const staff = new Map<string, string>();
  for (const { login, name, role, password } of people.staff) {
    const [row] = await db('staff')
      .insert({ login, name, role, password_hash: await hashSecret(password) })
      .returning<{ id: string }[]>('id');
    staff.set(login, row!.id);
  }
  const [owner] = people.staff;
  const plan = courseSchema.parse(JSON.parse(await readFile(join(folder, 'course.json'), 'utf8')));
  const [course] = await db('course')
    .insert({ title: plan.title, owner_id: staff.get(owner!.login) })
    .returning<{ id: string }[]>('id');
  const lessonOf = new Map<string, string>();
  for (const [position, { title, minutes, exercises: slugs }] of plan.lessons.entries()) {
    const [lesson] = await db('lesson')
      .insert({ course_id: course!.id, position: position + 1, title, minutes })
      .returning<{ id: string }[]>('id');
    for (const slug of slugs) lessonOf.set(slug, lesson!.id);
  }
  const files = (await readdir(join(folder, 'course'))).filter((file) => file.endsWith('.json')).sort();
  const exercises: { id: string; slug: string }[] = [];
  const exerciseIds = new Map<string, string>();
  for (const [position, file] of files.entries()) {
    const draft: unknown = JSON.parse(await readFile(join(folder, 'course', file), 'utf8'));
    const checked = exerciseFrom(draft);
    if (!checked.ok) throw new Error(`${file}: ${checked.problems[0]?.message ?? ''}`);
    const slug = checked.value.data.id;
    const [row] = await db('exercise')
      .insert({
        course_id: course!.id,
        lesson_id: lessonOf.get(slug),
        slug,
        position: position + 1,
        draft: JSON.stringify(draft),
      })
      .returning<{ id: string }[]>('id');
    exerciseIds.set(slug, row!.id);
    if (isComplete(checked.value)) exercises.push({ id: row!.id, slug });
  }
  const keeper: Viewer = { role: 'owner', id: staff.get(owner!.login)!, name: '', classIds: [] };
  const kit = await bringInKit(db, keeper, await readFile(join(folder, 'kit.csv'), 'utf8'));
  if (!kit.ok || kit.value.aside.length > 0) throw new Error('the kit of the demo cannot be read');
  for (const group of people.classes) {
    const [row] = await db('class')
      .insert({ name: group.name, code: group.code, term: group.term })
      .returning<{ id: string }[]>('id');
    const classId = row!.id;
    await db('class_staff').insert(
      group.staff.map((login) => ({ class_id: classId, staff_id: staff.get(login) })),
    );
    await db('meeting').insert(
      weeklyMeetings(group.meeting, now).map((meeting) => ({ class_id: classId, ...meeting })),
    );
    await planMeetings(db, classId, now, plan.lessons, exerciseIds);
    const word = await hashSecret(group.word);
    const learners = await db('learner')
      .insert(group.learners.map((name) => ({ class_id: classId, name, word_hash: word, joined_at: now })))
      .returning<{ id: string; name: string }[]>(['id', 'name']);
    const viewer: Viewer = {
      role: 'instructor',
      id: staff.get(group.staff[0]!)!,
      name: '',
      classIds: [classId],
    };
    for (const { id, slug } of exercises) {
      const published = await publishAsItIs(db, viewer, id, classId);
      if ('message' in published) throw new Error(published.message);
      const { publicationId } = published;
      await loadSubmissions(db, { folder: join(folder, 'submissions', slug), publicationId, learners, now });
      const past = group.history.find(({ exercise }) => exercise === slug);
      if (past)
        await loadHistory(db, {
          folder: join(folder, 'faults', slug),
          publicationId,
          // The last of the list is whoever looks round as a learner, and begins with a clean bench.
          learnerIds: learners.slice(0, -1).map((learner) => learner.id),
          staffId: viewer.id,
          at: subWeeks(now, past.weeksAgo),
          turn: group.history.indexOf(past),
        });
    }
  }
}

/** Plans the meetings of a class with the lessons of the course, one after the other; the last ones are still open. */
async function planMeetings(
  db: Knex,
  classId: string,
  now: Date,
  lessons: z.infer<typeof courseSchema>['lessons'],
  exerciseIds: ReadonlyMap<string, string>,
): Promise<void> {
  const meetings = await db('meeting')
    .where({ class_id: classId })
    .where('starts_at', '<', addWeeks(now, WEEKS_PLANNED))
    .orderBy('starts_at')
    .pluck<string[]>('id');
  const rows = meetings.flatMap((meeting_id, index) =>
    (lessons[index]?.exercises ?? []).flatMap((slug, position) => {
      const exercise_id = exerciseIds.get(slug);
      return exercise_id === undefined ? [] : [{ meeting_id, exercise_id, position }];
    }),
  );
  if (rows.length > 0) await db('meeting_exercise').insert(rows);
}

/** Weeks from now for which the demo's meetings have been planned. */
const WEEKS_PLANNED = 3;

/** Weeks of demo meetings that are over, and that are to come. */
const [WEEKS_BEFORE, WEEKS_AFTER] = [4, 6];

/** A meeting a week, around a moment: the next one is tomorrow, so that nobody is signed out while looking round. */
const weeklyMeetings = ({ from, until }: { readonly from: string; readonly until: string }, now: Date) =>
  Array.from({ length: WEEKS_BEFORE + WEEKS_AFTER }, (_, week) => {
    const day = format(addDays(addWeeks(now, week - WEEKS_BEFORE), 1), 'yyyy-MM-dd');
    return { starts_at: new Date(`${day}T${from}`), ends_at: new Date(`${day}T${until}`) };
  });

interface Batch {
  readonly folder: string;
  readonly publicationId: string;
  readonly learners: readonly { readonly id: string; readonly name: string }[];
  readonly now: Date;
}

/** Hands in every folder `<name>-<attempt>` for the learner of that name. */
async function loadSubmissions(db: Knex, { folder, publicationId, learners, now }: Batch): Promise<void> {
  const entries = await readdir(folder, { withFileTypes: true }).catch(() => []);
  const names = entries.filter((entry) => entry.isDirectory()).map((entry) => entry.name);
  // First attempts come in before second ones.
  names.sort((a, b) => Number(a.split('-')[1]) - Number(b.split('-')[1]) || (a < b ? -1 : 1));
  if (names.length === 0) return;
  const desk = await openDesk(db, publicationId);
  for (const [index, name] of names.entries()) {
    const learner = learners.find((candidate) => candidate.name.toLowerCase() === name.split('-')[0]);
    if (!learner) continue;
    const program = languageOf(desk.exercise) === 'python' ? 'program.py' : 'program.cpp';
    const [wiring, source] = await Promise.all(
      ['wiring.csv', program].map((file) => readFile(join(folder, name, file), 'utf8')),
    );
    await desk.handIn({
      learnerId: learner.id,
      name,
      wiring: wiring!,
      program: source!,
      hintsTaken: 0,
      workedSeconds: 60 * (9 + ((index * 5) % 14)),
      at: new Date(now.getTime() - (names.length - index) * MINUTES_APART * 60_000),
    });
  }
}

/**
 * Gives the people of the demo world the passwords and words of its files, or random ones: those in the files are
 * known to everybody. Returns what to show of the random ones, a line each.
 */
export async function setDemoSecrets(
  db: Knex,
  folder: string,
  kind: 'public' | 'random',
): Promise<readonly string[]> {
  const before = await db('setting')
    .where({ name: 'demo-secrets' })
    .first<{ value: string } | undefined>('value');
  if (kind === 'public' && (before?.value ?? 'public') === 'public') return [];
  const people = peopleSchema.parse(JSON.parse(await readFile(join(folder, 'classes/people.json'), 'utf8')));
  const shown: string[] = [];
  const secret = (known: string): string => (kind === 'public' ? known : easyWords(4));
  for (const { login, role, password } of people.staff) {
    const given = secret(password);
    const changed = await db('staff')
      .where({ login })
      .update({ password_hash: await hashSecret(given) });
    if (changed > 0) shown.push(`${role.padEnd(10)}  ${login}  ${given}`);
  }
  for (const { code, word, learners } of people.classes) {
    const given = secret(word);
    await db('learner')
      .whereIn('name', learners)
      .whereIn('class_id', db('class').where({ code }).select('id'))
      .update({ word_hash: await hashSecret(given) });
    shown.push(`learner     class code ${code}, any name, private word ${given}`);
  }
  // Whoever was signed in with the words of before is so no longer.
  await db('session').delete();
  await db('setting').insert({ name: 'demo-secrets', value: kind }).onConflict('name').merge();
  return shown;
}
