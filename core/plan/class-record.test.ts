import Papa from 'papaparse';
import { describe, expect, test } from 'vitest';
import type { FindingCode } from '../findings/finding';
import type { Verdict } from '../formats/report';
import { recordCells, teachAgain, timesTaken, troubleByWeek, type RecordedTry } from './class-record';
import { gradeBook } from './grade-book';

let count = 0;
const tried = (
  learnerId: string,
  verdict: Verdict | null,
  codes: readonly FindingCode[] = [],
  more: Partial<RecordedTry> = {},
): RecordedTry => ({
  submissionId: `s${(count += 1)}`,
  learnerId,
  exerciseId: 'beacon',
  week: '2027-01-11',
  verdict,
  causes: codes.map((code) => ({ code, line: null })),
  hintsTaken: 0,
  late: 0,
  workedSeconds: null,
  marks: undefined,
  isAccepted: false,
  ...more,
});

describe('the record of a class', () => {
  test('has tries and hints in all, and verdict and marks of the last try', () => {
    const cell = recordCells([
      tried('a', 'does-not-work', ['off-by-one'], { hintsTaken: 2, marks: { earned: 0, of: 2, reason: '' } }),
      tried('a', 'as-drawn', [], { hintsTaken: 1, marks: { earned: 2, of: 2, reason: '' } }),
      tried('b', 'does-not-work'),
    ])
      .get('a')!
      .get('beacon');
    expect(cell).toMatchObject({
      tries: 2,
      hintsTaken: 3,
      verdict: 'as-drawn',
      isDone: true,
      marks: { earned: 2 },
    });
  });

  test('takes an accepted try for done', () => {
    const cells = recordCells([tried('a', 'does-not-work', [], { isAccepted: true })]);
    expect(cells.get('a')!.get('beacon')!.isDone).toBe(true);
  });
});

describe('trouble over the weeks', () => {
  test('counts a kind once a hand-in, erased learners’ too, and shows none that rests on fewer than three', () => {
    const tries = [
      tried('a', 'does-not-work', ['off-by-one', 'off-by-one']),
      tried('b', 'does-not-work', ['off-by-one', 'leg-open'], { week: '2027-01-18' }),
      tried('c', 'as-drawn'),
      tried('d', null, ['off-by-one']),
    ];
    const past = [
      {
        exerciseId: 'beacon',
        week: '2027-01-18',
        verdict: 'does-not-work' as const,
        causes: ['off-by-one' as const],
      },
    ];
    expect(troubleByWeek(tries, past)).toEqual({
      weeks: ['2027-01-11', '2027-01-18'],
      kinds: [
        { title: 'In the wrong row', counts: [1, 2], total: 3 },
        { title: 'Anything else', counts: [0, 1], total: 1 },
      ],
      of: 4,
    });
    expect(troubleByWeek([], [])).toEqual({ weeks: [], kinds: [], of: 0 });
  });
});

describe('what to teach again', () => {
  test('is what three ran into, those first who still have it, with the lines', () => {
    const line = (number: number) => ({ causes: [{ code: 'direction-unset' as FindingCode, line: number }] });
    const tries = [
      tried('a', 'does-not-work', ['off-by-one']),
      tried('b', 'does-not-work', ['off-by-one']),
      tried('c', 'does-not-work', ['off-by-one']),
      tried('a', 'as-drawn'),
      ...['d', 'e', 'f'].map((id, index) => tried(id, 'does-not-work', [], line(4 - index))),
      tried('g', 'does-not-work', ['leg-open']),
    ];
    const again = teachAgain(tries);
    expect(again.map(({ code }) => code)).toEqual(['direction-unset', 'off-by-one']);
    expect(again[0]).toMatchObject({ still: ['d', 'e', 'f'], over: [], where: [{ lines: [2, 3, 4] }] });
    expect(again[1]).toMatchObject({ still: ['b', 'c'], over: ['a'] });
  });
});

describe('the grade book', () => {
  test('has the chosen columns, and no formula in it whatever somebody is called', () => {
    const learners = [
      { id: 'a', name: '=HYPERLINK("http://x.example")' },
      { id: 'b', name: 'Bo; "the" Kai, 2nd' },
      { id: 'c', name: '+49' },
    ];
    const cells = recordCells([tried('b', 'as-drawn', [], { marks: { earned: 1.005, of: 2, reason: '' } })]);
    const text = gradeBook(learners, [{ id: 'beacon', title: '@Beacon' }], cells, ['marks', 'of', 'tries']);
    const rows = Papa.parse<string[]>(text.trim()).data;
    expect(rows.flat().filter((cell) => /^[=+\-@\t\r]/.test(cell))).toEqual([]);
    expect(rows[0]).toEqual(['name', "'@Beacon: marks", "'@Beacon: of", "'@Beacon: tries"]);
    expect(rows[2]).toEqual(['Bo; "the" Kai, 2nd', '1', '2', '1']);
    expect(rows[3]).toEqual(["'+49", '', '', '']);
  });
});

describe('the time that an exercise took', () => {
  const after = (minutes: number | null) => ({ workedSeconds: minutes === null ? null : minutes * 60 });
  const beacon = [{ id: 'beacon', minutes: 20 }];

  test('is the time up to the first try that was right, and goes on counting until there is one', () => {
    const cells = recordCells([
      tried('a', 'does-not-work', ['off-by-one'], after(8)),
      tried('a', 'as-drawn', [], after(12)),
      tried('a', 'as-drawn', [], after(40)),
      tried('b', 'does-not-work', ['off-by-one'], after(8)),
      tried('b', 'does-not-work', ['off-by-one'], after(30)),
      tried('c', 'as-drawn', [], after(null)),
      tried('d', 'as-drawn', [], after(0.2)),
    ]);
    const minutes = (id: string) => cells.get(id)!.get('beacon')!.minutes;
    expect(['a', 'b', 'c', 'd'].map(minutes)).toEqual([12, 30, null, 1]);
  });

  test('is told as what half of the learners needed at most, of those who have done it', () => {
    const cells = recordCells([
      ...[31, 18, 25, 22].map((minutes, index) => tried(`l${index}`, 'as-drawn', [], after(minutes))),
      tried('x', 'does-not-work', ['off-by-one'], after(90)),
    ]);
    expect(timesTaken(beacon, cells)).toEqual([
      { exerciseId: 'beacon', planned: 20, median: 22, range: [18, 31], of: 4 },
    ]);
  });

  test('is told of no two learners: it would be about somebody', () => {
    const cells = recordCells(['a', 'b'].map((id) => tried(id, 'as-drawn', [], after(10))));
    expect(timesTaken(beacon, cells)).toEqual([]);
  });
});
