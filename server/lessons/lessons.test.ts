import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { tookLonger } from '@/core/meeting/running';
import { buildHarbour, type Harbour } from '../testing/harbour';
import { addMeetings } from '../people/class-register';
import { addLine, bookings, bringInKit, doToLine, kitLines, lossesOf } from './kit-store';
import {
  comingMeetings,
  decide,
  findMeeting,
  runOf,
  setRun,
  suggestionFor,
  takenInClass,
  tick,
  ticksOf,
} from './meetings';
import { lessonOf, outlook } from './planning';

let harbour: Harbour;
beforeEach(async () => void (harbour = await buildHarbour()));
afterEach(() => harbour.drop());

const NEW = { kind: 'resistor', value: '330R', length: '', count: '40', drawer: 'B2' };
const lineOf = async (given = NEW) => {
  const made = await addLine(harbour.db, harbour.teacher, given);
  if (made.is !== 'done' || !made.line) throw new Error(made.is);
  return made.line;
};
const [classOf, otherClassOf] = [() => harbour.teacher.classIds[0]!, () => harbour.otherTeacher.classIds[0]!];
const HOUR = 3_600_000;

/** A meeting of a class, so many hours from now; its id. */
async function meetingOf(whose: 'own' | 'other', inHours = 1, hours = 1.5): Promise<string> {
  const [viewer, classId] =
    whose === 'own' ? [harbour.teacher, classOf()] : [harbour.otherTeacher, otherClassOf()];
  const startsAt = new Date(Date.now() + inHours * HOUR);
  await addMeetings(harbour.db, viewer, classId, [
    {
      startsAt: startsAt.toISOString(),
      endsAt: new Date(startsAt.getTime() + hours * HOUR).toISOString(),
    },
  ]);
  const [row] = await harbour
    .db('meeting')
    .where({ class_id: classId, starts_at: startsAt })
    .select<{ id: string }[]>('id');
  return row!.id;
}

describe('the kit store', () => {
  it('has one line for a sort, however it is written', async () => {
    await lineOf();
    const again = await lineOf({ ...NEW, value: '330 Ω', count: '5', drawer: '' });
    expect(again).toMatchObject({ title: '330 Ω resistor', count: 45, drawer: 'B2' });
    await lineOf({ kind: 'wire', value: 'red', length: '100', count: '3', drawer: '' });
    expect((await kitLines(harbour.db)).map(({ title }) => title)).toEqual([
      '330 Ω resistor',
      'red wire, 100 mm',
    ]);
  });

  it('refuses what it does not know, in a sentence', async () => {
    for (const [given, reason] of [
      [{ ...NEW, kind: 'flux' }, /no known kind/],
      [{ ...NEW, count: '-1' }, /fewer than none/],
      [{ ...NEW, count: '2.5' }, /no whole number/],
      [{ ...NEW, length: '100' }, /only wires/i],
    ] as const)
      expect(await addLine(harbour.db, harbour.teacher, given)).toMatchObject({
        is: 'refused',
        message: expect.stringMatching(reason) as unknown,
      });
    expect(await kitLines(harbour.db)).toEqual([]);
  });

  it('tells whoever counts of a count meanwhile, and loses neither', async () => {
    const line = await lineOf();
    const count = (viewer: Harbour['teacher'], counted: number) =>
      doToLine(harbour.db, viewer, line.id, { type: 'count', counted, version: line.version });
    expect(await count(harbour.otherTeacher, 37)).toMatchObject({ is: 'done', line: { count: 37 } });
    expect(await count(harbour.teacher, 38)).toMatchObject({
      is: 'overtaken',
      by: 'olaf',
      line: { count: 37 },
    });
    // Who has counted the same agrees.
    expect(await count(harbour.teacher, 37)).toMatchObject({ is: 'done' });
    expect((await kitLines(harbour.db))[0]!.count).toBe(37);
  });

  it('adds up what two people book as broken at once', async () => {
    const line = await lineOf();
    await Promise.all(
      [harbour.teacher, harbour.otherTeacher, harbour.teacher].map((viewer) =>
        doToLine(harbour.db, viewer, line.id, { type: 'broken', pieces: 2 }),
      ),
    );
    expect((await kitLines(harbour.db))[0]).toMatchObject({ count: 34 });
    expect(await doToLine(harbour.db, harbour.teacher, line.id, { type: 'lost', pieces: 35 })).toMatchObject({
      is: 'refused',
    });
    const history = await bookings(harbour.db, line.id);
    expect(history.map(({ what, change, after }) => [what, change, after])).toEqual([
      ['broken', -2, 34],
      ['broken', -2, 36],
      ['broken', -2, 38],
      ['bought', 40, 40],
    ]);
  });

  it('keeps the history of what is taken out, and lets nobody take it out of the history', async () => {
    const line = await lineOf();
    expect(await doToLine(harbour.db, harbour.teacher, line.id, { type: 'remove' })).toEqual({
      is: 'done',
      line: null,
    });
    expect(await kitLines(harbour.db)).toEqual([]);
    expect((await bookings(harbour.db)).map(({ what }) => what)).toEqual(['removed', 'bought']);
    await expect(harbour.db('kit_booking').delete()).rejects.toThrow(/append-only/);
    expect((await lineOf()).count).toBe(40);
  });

  it('brings in a list, and gives back what it does not understand', async () => {
    await lineOf();
    const text = 'kind,value,length_mm,count,drawer\nresistor,330,,12,\nled,amber,,30,A1\nflux,1,,3,\n';
    const read = await bringInKit(harbour.db, harbour.teacher, text);
    expect(read.ok && read.value).toMatchObject({ taken: 2, aside: [{ line: 4 }] });
    expect((await kitLines(harbour.db)).map(({ title, count }) => [title, count])).toEqual([
      ['amber LED', 30],
      ['330 Ω resistor', 12],
    ]);
    expect((await bringInKit(harbour.db, harbour.teacher, 'nothing')).ok).toBe(false);
  });

  it('learns how much breaks from what was out at meetings', async () => {
    const line = await lineOf({ ...NEW, count: '100' });
    const meetingId = await meetingOf('own');
    await doToLine(harbour.db, harbour.teacher, line.id, { type: 'broken', pieces: 3, meetingId, outOf: 50 });
    await doToLine(harbour.db, harbour.teacher, line.id, { type: 'lost', pieces: 2, meetingId, outOf: 50 });
    const second = await meetingOf('own', 30);
    await doToLine(harbour.db, harbour.teacher, line.id, {
      type: 'lost',
      pieces: 5,
      meetingId: second,
      outOf: 50,
    });
    expect([...(await lossesOf(harbour.db)).values()]).toEqual([0.1]);
  });
});

describe('a meeting', () => {
  it('is planned with exercises by who teaches its class, and by nobody else', async () => {
    const id = await meetingOf('own');
    const exercises = [harbour.exerciseId];
    expect(await decide(harbour.db, harbour.otherTeacher, id, { exercises })).toMatch(/not yours/);
    expect(await decide(harbour.db, harbour.teacher, id, { exercises: [crypto.randomUUID()] })).toMatch(
      /no longer/,
    );
    expect(await decide(harbour.db, harbour.teacher, id, { exercises })).toBeUndefined();
    expect(await findMeeting(harbour.db, harbour.teacher, id)).toMatchObject({
      exercises: [{ title: 'Beacon', minutes: 40 }],
      perBench: 1,
    });
    expect(await findMeeting(harbour.db, harbour.otherTeacher, id)).toBeUndefined();
    expect(await findMeeting(harbour.db, harbour.learner, id)).toBeUndefined();
    expect(await comingMeetings(harbour.db, harbour.teacher.classIds, new Date())).toHaveLength(1);
  });

  it('is offered what its course has next', async () => {
    const id = await meetingOf('own');
    const meeting = (await findMeeting(harbour.db, harbour.teacher, id))!;
    expect(await suggestionFor(harbour.db, harbour.teacher, meeting)).toMatchObject({
      exercises: [{ title: 'Beacon' }],
    });
    await decide(harbour.db, harbour.teacher, id, { exercises: [harbour.exerciseId] });
    const next = (await findMeeting(harbour.db, harbour.teacher, await meetingOf('own', 30)))!;
    expect(await suggestionFor(harbour.db, harbour.teacher, next)).toBeUndefined();
  });

  it('has its run sheet, its lists, and what the store lacks for it', async () => {
    const id = await meetingOf('own');
    await decide(harbour.db, harbour.teacher, id, { exercises: [harbour.exerciseId] });
    const meeting = (await findMeeting(harbour.db, harbour.teacher, id))!;
    const lesson = await lessonOf(harbour.db, harbour.guarded, harbour.teacher, meeting);
    expect(lesson.sheet.steps.map(({ phase }) => phase)).toContain('build');
    expect(lesson.fit.over).toBe(0);
    expect(lesson.restsOn).toMatch(/no record of its own/);
    await lineOf({ kind: 'resistor', value: '330', length: '', count: '1', drawer: 'B2' });
    const { meetings, shopping } = await outlook(harbour.db, harbour.guarded, new Date());
    const supply = (kind: string) => meetings[0]!.supplies.find(({ need }) => need.item.kind === kind)!;
    expect(supply('resistor')).toMatchObject({ short: 0, sparesShort: 1 });
    expect(supply('led')).toMatchObject({ short: 1 });
    expect(shopping.find(({ item }) => item.kind === 'led')).toMatchObject({ count: 2, inStock: 0 });
  });

  it('counts what two classes need at the same time', async () => {
    const [own, other] = [await meetingOf('own', 1, 2), await meetingOf('other', 2, 2)];
    await decide(harbour.db, harbour.teacher, own, { exercises: [harbour.exerciseId] });
    await harbour.db('course').update({ visible_to: 'all' });
    await decide(harbour.db, harbour.otherTeacher, other, { exercises: [harbour.exerciseId] });
    await lineOf({ kind: 'resistor', value: '330', length: '', count: '2', drawer: '' });
    const { meetings } = await outlook(harbour.db, harbour.guarded, new Date());
    const shorts = meetings.map(({ supplies }) =>
      supplies.find(({ need }) => need.item.kind === 'resistor')!,
    );
    expect(shorts.map(({ short, elsewhere }) => [short, elsewhere])).toEqual([
      [0, 0],
      [1, 2],
    ]);
  });

  it('runs as it was told last, whenever that arrives', async () => {
    const id = await meetingOf('own');
    const at = (pressedAt: number, hold: number) => ({
      state: { startedAt: 1, stepId: 'arrive', stepSince: 1, hold, isDark: false, taken: {} },
      pressedAt,
    });
    expect(await runOf(harbour.db, id)).toEqual({ state: null, pressedAt: 0 });
    await setRun(harbour.db, id, at(20, 2));
    // What a tablet without a connection had pressed before arrives late.
    expect(await setRun(harbour.db, id, at(10, 1))).toEqual(at(20, 2));
    expect(await setRun(harbour.db, id, { state: null, pressedAt: 30 })).toEqual({
      state: null,
      pressedAt: 30,
    });
  });

  it('remembers how long its stretches took when it is over', async () => {
    const id = await meetingOf('own');
    const taken = { 'beacon/build': { title: 'Build it', planned: 10, minutes: 14 } };
    await setRun(harbour.db, id, { state: null, pressedAt: 5, taken });
    expect(tookLonger(await takenInClass(harbour.db, classOf()))).toEqual(Object.values(taken));
    // Beginning anew keeps it until something is known again.
    await setRun(harbour.db, id, { state: null, pressedAt: 6 });
    expect(await takenInClass(harbour.db, classOf())).toEqual([taken]);
    expect(await takenInClass(harbour.db, otherClassOf())).toEqual([]);
  });

  it('keeps what is ticked off, once however often', async () => {
    const id = await meetingOf('own');
    await tick(harbour.db, harbour.teacher, id, { item: 'Bags are packed.', done: 'yes' });
    await tick(harbour.db, harbour.otherTeacher, id, { item: 'Bags are packed.', done: 'yes' });
    expect(await ticksOf(harbour.db, id)).toEqual(['Bags are packed.']);
    await tick(harbour.db, harbour.teacher, id, { item: 'Bags are packed.', done: 'no' });
    expect(await ticksOf(harbour.db, id)).toEqual([]);
  });
});
