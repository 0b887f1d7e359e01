import { readFileSync } from 'node:fs';
import { afterEach, describe, expect, test } from 'vitest';
import { CHECK_LIMITS, GuardedProcesses, NoAnswer, type Limits } from './processes';

const exercise = JSON.parse(readFileSync('demo/course/01-beacon.json', 'utf8')) as { layout: string };
/** Busy for a good second before its budget is over. */
const BUSY =
  'void setup() { long n = 0; while (true) { n = n * 3 + 1; if (n > 99) n = 0; } }\nvoid loop() { }\n';
const RIGHT =
  'void setup() { pinMode(13, OUTPUT); }\nvoid loop() { digitalWrite(13, HIGH); delay(500); digitalWrite(13, LOW); delay(2500); }\n';
const input = (program = RIGHT) => ({ exercise, wiring: exercise.layout, program });

let guarded: GuardedProcesses;
afterEach(() => guarded.close());
const begin = (limits: Partial<Limits> = {}, count = 1): GuardedProcesses =>
  (guarded = new GuardedProcesses(count, { ...CHECK_LIMITS, ...limits }));

describe('a guarded process', () => {
  test('gives the value of a task, and takes the next one', async () => {
    begin();
    for (const program of [RIGHT, `${RIGHT}// again\n`])
      expect(await guarded.run('check', input(program))).toMatchObject({
        ended: true,
        value: { verdict: 'as-drawn' },
      });
  });

  test('is ended when a task takes more processor time than it may, and the next task is done all the same', async () => {
    begin({ processorSeconds: 0.4 });
    // The first task is charged with the start of the process as well.
    await guarded.run('canonicalWiring', { exercise, wiring: exercise.layout });
    expect(await guarded.run('check', input(BUSY))).toMatchObject({ ended: false, obstacle: 'time' });
    begin();
    expect(await guarded.run('check', input())).toMatchObject({ ended: true });
  });

  test('is ended when a task takes more memory than it may, which ends nobody else', async () => {
    begin({ megabytes: 12 });
    expect(await guarded.run('check', input())).toMatchObject({ ended: false, obstacle: 'memory' });
  });

  test('tells of a fault in a task, and goes on', async () => {
    begin();
    const outcome = await guarded.run('check', { ...input(), exercise: { format: 'none' } });
    expect(outcome).toMatchObject({ ended: false, obstacle: 'failure' });
    expect(outcome.ended ? '' : outcome.detail).toContain('the exercise cannot be read');
    expect(await guarded.run('check', input())).toMatchObject({ ended: true });
  });

  test('that cannot be started is a crash, told to whoever waits', async () => {
    guarded = new GuardedProcesses(1, CHECK_LIMITS, '/nowhere/process.mjs');
    expect(await guarded.run('check', input())).toMatchObject({ ended: false, obstacle: 'crash' });
    await expect(guarded.ask('check', input())).rejects.toThrow(NoAnswer);
  });

  test('does as many tasks at once as there are processes, and the others in their turn', async () => {
    begin({}, 2);
    const outcomes = await Promise.all(Array.from({ length: 6 }, () => guarded.run('check', input())));
    expect(outcomes.every(({ ended }) => ended)).toBe(true);
  });
});
