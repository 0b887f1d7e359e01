import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { DEFAULT_HOUSE_RULES } from '../course/house-rules';
import { exerciseFrom } from '../formats/exercise';
import { courseExercises } from '../testing/course';
import { benchCount } from '../kit';
import { benchesOf } from './benches';
import { calendarOf } from './calendar';
import { checklistsOf } from './checklists';
import { fitOf, withCuts } from './fit';
import { paceOf, paceText, STANDARD_PACE } from './pace';
import { runSheet, type MeetingPlan } from './run-sheet';
import { runSheetCsv, runSheetMarkdown } from './run-sheet-text';
import { after, begin, standingOf, takenAtEnd, tookLonger, type RunAction } from './running';

const rules = DEFAULT_HOUSE_RULES;
const all = courseExercises
  .filter(({ name, exercise }) => name === exercise.data.id)
  .map(({ exercise }) => exercise);
const named = (id: string) => all.find(({ data }) => data.id === id)!;
const planOf = (...ids: readonly string[]): MeetingPlan => ({
  exercises: ids.map((id) => ({ exercise: named(id), rules })),
  learners: 24,
  perBench: 2,
});

describe('a run sheet', () => {
  it('takes as long as the author says, with coming in and packing up beside it', () => {
    for (const { data } of all) {
      const { steps } = runSheet(planOf(data.id));
      const own = steps.filter(({ exercise }) => exercise === 0);
      const sum = own.reduce((total, { minutes }) => total + minutes, 0);
      expect(Math.abs(sum - data.minutes!), data.id).toBeLessThan(2.6);
      expect(steps.reduce((total, { minutes }) => total + minutes, 0)).toBe(
        runSheet(planOf(data.id)).minutes,
      );
    }
  });

  it('follows parts, wires and lines where the author says nothing', () => {
    const [beacon, mast] = ['beacon', 'signal-mast'].map((id) => {
      const read = exerciseFrom({ ...named(id).data, minutes: undefined });
      if (!read.ok) throw new Error(id);
      return runSheet({ exercises: [{ exercise: read.value, rules }], learners: 10, perBench: 1 });
    });
    const build = (sheet: typeof beacon) => sheet!.steps.find(({ phase }) => phase === 'build')!;
    expect(build(mast).minutes).toBeGreaterThan(5 * build(beacon).minutes);
    expect(build(beacon).madeOf).toBe('2 parts, 2 wires');
    expect(build(beacon).holds).toHaveLength(4);
  });

  it('has no program and no loading of one where there is none', () => {
    const phases = runSheet(planOf('hand-lamp')).steps.map(({ phase }) => phase);
    expect(phases).not.toContain('program');
    expect(phases).not.toContain('bring-up');
  });

  it('follows the pace of the class, and says what it rests on', () => {
    const slow = paceOf([
      { exerciseId: 'beacon', planned: 40, median: 60, range: [40, 80], of: 20 },
      { exerciseId: 'x', planned: null, median: 60, range: [40, 80], of: 20 },
    ]);
    expect(slow.factor).toBeGreaterThan(1.2);
    expect(slow.factor).toBeLessThan(1.5);
    expect(paceText(slow)).toMatch(/^From 20 tries at 1 exercise of this class: it takes \d+ % longer/);
    expect(paceText(STANDARD_PACE)).toMatch(/no record/);
    const [usual, longer] = [STANDARD_PACE, slow].map((pace) => runSheet({ ...planOf('night-bell'), pace }));
    expect(longer!.minutes).toBeGreaterThan(usual!.minutes);
    const phase = (sheet: typeof usual, id: string) =>
      sheet!.steps.find((step) => step.phase === id)!.minutes;
    expect(phase(longer, 'aim')).toBe(phase(usual, 'aim'));
  });

  it('says what to cut when it does not fit, and each cut saves what it says', () => {
    const plan = planOf('night-bell', 'two-button-sluice');
    const sheet = runSheet(plan);
    const fit = fitOf(plan, sheet, 85);
    expect(fit.over).toBe(sheet.minutes - 85);
    for (const { id, savesMinutes, costs } of fit.cuts) {
      expect(runSheet(withCuts(plan, [id])).minutes).toBe(sheet.minutes - savesMinutes);
      expect(costs).not.toBe('');
    }
    expect(runSheet(withCuts(plan, fit.enough)).minutes).toBeLessThanOrEqual(85);
    expect(fitOf(plan, sheet, 300)).toMatchObject({ over: 0, cuts: [] });
  });

  it('is written for a spreadsheet and as text', () => {
    const plan = planOf('lock-gate');
    const sheet = runSheet(plan);
    expect(runSheetCsv(sheet).split('\r\n')).toHaveLength(sheet.steps.length + 2);
    const text = runSheetMarkdown('Lock gate', sheet, checklistsOf([named('lock-gate')], 12), undefined);
    expect(text).toContain('- [ ] Centre every servo, 12 in all');
    expect(text).toContain('at least 6 V');
  });
});

describe('benches', () => {
  it('hold everybody once, nobody alone where two share one', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 200 }), fc.integer({ min: 1, max: 6 }), (count, perBench) => {
        const names = Array.from({ length: count }, (_, index) => `N${index}`);
        const benches = benchesOf(names, perBench);
        expect(benches.flatMap((bench) => bench.names)).toEqual(names);
        // What is packed and what is labelled is the same.
        expect(benches).toHaveLength(benchCount(count, perBench));
        for (const bench of benches) {
          expect(bench.names.length).toBeLessThanOrEqual(perBench === 1 ? 1 : perBench + 1);
          if (count > 1 && perBench > 1) expect(bench.names.length).toBeGreaterThan(1);
        }
      }),
    );
  });
});

describe('a meeting that runs', () => {
  const sheet = runSheet(planOf('beacon', 'leading-lights'));
  const holds = sheet.steps.reduce((sum, step) => sum + Math.max(1, step.holds.length), 0);

  it('goes through every hold of every stretch, and back the same way', () => {
    let running = begin(sheet, 0);
    const seen = [running];
    for (let index = 1; index < holds; index += 1)
      seen.push((running = after(running, { type: 'next' }, sheet, index)));
    expect(running.stepId).toBe('pack-up');
    expect(after(running, { type: 'next' }, sheet, 999)).toBe(running);
    for (const before of seen.slice(0, -1).reverse()) {
      running = after(running, { type: 'back' }, sheet, 999);
      expect([running.stepId, running.hold]).toEqual([before.stepId, before.hold]);
    }
  });

  it('says how far behind it is, and when it ends', () => {
    const start = Date.UTC(2026, 10, 3, 17);
    const first = begin(sheet, start);
    const late = start + (sheet.steps[0]!.minutes + 3) * 60_000;
    expect(standingOf(first, sheet, late)).toMatchObject({ leftMinutes: -3, behindMinutes: 3 });
    const moved = after(first, { type: 'next' }, sheet, late);
    const standing = standingOf(moved, sheet, late);
    expect(standing.behindMinutes).toBeCloseTo(3);
    expect(standing.endsAt).toBe(late + (sheet.minutes - sheet.steps[0]!.minutes) * 60_000);
    expect(standingOf({ ...first, stepId: 'gone' }, sheet, start).index).toBe(0);
  });

  it('counts how long each stretch takes, also when one comes back to it', () => {
    const minute = 60_000;
    const [first, second] = sheet.steps;
    let running = begin(sheet, 0);
    running = after(running, { type: 'next' }, sheet, 4 * minute);
    running = after(running, { type: 'back' }, sheet, 9 * minute);
    running = after(running, { type: 'next' }, sheet, 12 * minute);
    const taken = takenAtEnd(running, sheet, 40 * minute);
    expect(taken[first!.id]).toMatchObject({ minutes: 7, planned: first!.minutes });
    expect(taken[second!.id]!.minutes).toBe(5 + 28);
    expect(tookLonger([taken]).map(({ title }) => title)).toContain(second!.title);
    expect(tookLonger([taken, {}]).every(({ minutes, planned }) => minutes >= planned + 2)).toBe(true);
  });

  it('is somewhere on its sheet whatever is pressed', () => {
    const action = fc.oneof(
      fc.constantFrom<RunAction>({ type: 'next' }, { type: 'back' }, { type: 'dark' }),
      fc.constantFrom(...sheet.steps.map(({ id }): RunAction => ({ type: 'go', stepId: id })), {
        type: 'go',
        stepId: 'nowhere',
      } as const),
    );
    fc.assert(
      fc.property(fc.array(action), (actions) => {
        const end = actions.reduce((running, one, at) => after(running, one, sheet, at), begin(sheet, 0));
        const { step, index } = standingOf(end, sheet, actions.length);
        expect(sheet.steps[index]).toBe(step);
        expect(end.hold).toBeLessThan(Math.max(1, step.holds.length));
      }),
    );
  });
});

it('writes meetings as a calendar in universal time, so that summer time moves none of them', () => {
  const text = calendarOf(
    'Evening class',
    [
      {
        id: 'one',
        startsAt: new Date('2027-03-23T17:00:00Z'),
        endsAt: new Date('2027-03-23T18:30:00Z'),
        title: 'First lights; with, commas',
        description: 'Bring: 24 × LED\nand more',
        address: 'http://127.0.0.1/x',
      },
      {
        id: 'two',
        startsAt: new Date('2027-03-30T16:00:00Z'),
        endsAt: new Date('2027-03-30T17:30:00Z'),
        title: 'After the change',
        description: '',
      },
    ],
    new Date('2026-11-28T00:00:00Z'),
  );
  expect(text).toContain('DTSTART:20270323T170000Z');
  expect(text).toContain('DTSTART:20270330T160000Z');
  expect(text).toContain('SUMMARY:First lights\\; with\\, commas');
  for (const line of text.split('\r\n'))
    expect(new TextEncoder().encode(line).length).toBeLessThanOrEqual(75);
});
