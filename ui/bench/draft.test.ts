import { readFileSync } from 'node:fs';
import { describe, expect, test } from 'vitest';
import { exerciseFrom } from '@/core/formats/exercise';
import { checkBeacon } from '@/core/testing/beacon';
import { readWiring } from '@/core/wiring/read';
import type { Draft } from '@/core/messages/bench-draft';
import { emptyDraft, newPart, recordedIn, shortPlace, withEdits } from './draft';

const read = exerciseFrom(JSON.parse(readFileSync('demo/course/01-beacon.json', 'utf8')));
if (!read.ok) throw new Error(read.problems[0]?.message);
const exercise = read.value.data;

/** A draft with these places, by part and leg. */
function draftWith(places: Readonly<Record<string, string>>): Draft {
  const draft = emptyDraft(exercise);
  return {
    ...draft,
    parts: draft.parts.map((part) => ({
      ...part,
      at: Object.fromEntries(
        Object.entries(places).flatMap(([name, place]) =>
          name.startsWith(`${part.ref}.`) ? [[name.slice(part.ref.length + 1), place]] : [],
        ),
      ),
    })),
  };
}

const RIGHT = {
  'W1.1': '13',
  'W1.2': 'a5',
  'W2.1': 'GND',
  'W2.2': 'a-1',
  'D1.anode': 'e5',
  'D1.cathode': 'e6',
  'R1.1': 'd6',
  'R1.2': 'a-6',
};

describe('an empty draft', () => {
  test('has the parts and wires of the exercise, none of them plugged in', () => {
    const draft = emptyDraft(exercise);
    expect(draft.parts.map(({ ref }) => ref)).toEqual(['W1', 'W2', 'D1', 'R1']);
    expect(draft.parts.every((part) => Object.keys(part.at).length === 0)).toBe(true);
  });

  test('can be read: everything hangs free', () => {
    const { wiring, problems } = recordedIn(emptyDraft(exercise), exercise);
    expect(problems).toEqual({});
    expect(wiring!.parts.flatMap((part) => part.legs.map((leg) => leg.at))).toEqual(new Array(8).fill(null));
  });
});

describe('a draft as a table', () => {
  test('is the wiring that the checker takes', () => {
    const { table, problems } = recordedIn(draftWith(RIGHT), exercise);
    expect(problems).toEqual({});
    expect(readWiring(table).ok).toBe(true);
    expect(checkBeacon(table).verdict).toBe('as-drawn');
  });

  test('says of each leg that does not fit why, and draws the rest', () => {
    const { wiring, problems } = recordedIn(
      draftWith({ ...RIGHT, 'W1.2': 'e5', 'R1.1': 'z9', 'W2.1': '77' }),
      exercise,
    );
    expect(Object.keys(problems).sort()).toEqual(['D1.anode', 'R1.1', 'W2.1']);
    expect(problems['R1.1']).toContain('“z9”');
    expect(wiring!.parts).toHaveLength(4);
  });

  test('leaves out a part whose value cannot be read', () => {
    const draft = draftWith(RIGHT);
    const odd = {
      ...draft,
      parts: draft.parts.map((part) => (part.ref === 'R1' ? { ...part, value: 'a lot' } : part)),
    };
    const { wiring, problems } = recordedIn(odd, exercise);
    expect(Object.values(problems).join()).toContain('“a lot” is not a resistance');
    expect(wiring?.parts.map((part) => part.ref)).not.toContain('R1');
  });

  test('quotes what a table needs quoted', () => {
    const draft = draftWith({ ...RIGHT, 'W1.2': 'a5, or so' });
    expect(recordedIn(draft, exercise).table).toContain('"a5, or so"');
  });
});

describe('edits of a repair', () => {
  const wrong = draftWith({ ...RIGHT, 'W1.2': 'a4', 'D1.anode': 'e6', 'D1.cathode': 'e5' });

  test('that the checker gives mend the draft', () => {
    const report = checkBeacon(recordedIn(wrong, exercise).table);
    const edits = report.findings.flatMap((finding) => (finding.cause ? (finding.repair?.edits ?? []) : []));
    expect(checkBeacon(recordedIn(withEdits(wrong, edits), exercise).table).verdict).toBe('as-drawn');
  });

  test('move, turn, change a value, take out and add', () => {
    const edited = withEdits(wrong, [
      { move: 'W1.2', from: 'B1.a4', to: 'B1.a5' },
      { flip: 'D1' },
      { value: 'R1', to: '470' },
      { remove: 'W2' },
      { add: 'W3,wire,,1,U1.GND\nW3,wire,,2,B1.a-9' },
    ]);
    expect(edited.parts.map(({ ref }) => ref)).toEqual(['W1', 'D1', 'R1', 'W3']);
    expect(edited.parts[0]!.at['2']).toBe('a5');
    expect(edited.parts[1]!.at).toEqual({ anode: 'e5', cathode: 'e6' });
    expect(edited.parts[2]!.value).toBe('470');
    expect(edited.parts[3]!.at).toEqual({ 1: 'GND', 2: 'a-9' });
  });

  test('of the program leave the draft alone', () => {
    expect(withEdits(wrong, [{ replace: { line: 1, column: 1, length: 0, by: ';' } }])).toEqual(wrong);
  });

  test('turned twice are as before', () => {
    expect(withEdits(wrong, [{ flip: 'D1' }, { flip: 'D1' }])).toEqual(wrong);
  });
});

test('a further part gets the next free name', () => {
  const draft = emptyDraft(exercise);
  expect(newPart(draft, 'wire', 'red').ref).toBe('W3');
  expect(newPart(draft, 'led', 'red').ref).toBe('D2');
  expect(newPart(draft, 'clip', 'red').ref).toBe('CL1');
});

test.each([
  ['B1.a5', 'a5'],
  ['B1.a-6', 'a-6'],
  ['U1.13', '13'],
  ['U1.GND', 'GND'],
  ['U1.A5', 'A5'],
  ['D1.anode', 'D1.anode'],
])('the place %s is shown as %s', (point, shown) => {
  expect(shortPlace(point)).toBe(shown);
});

test('a pin that is called like a hole is the pin in capitals, and the hole in small letters', () => {
  const python = exerciseFrom(JSON.parse(readFileSync('demo/course/12-beacon-python.json', 'utf8')));
  if (!python.ok) throw new Error(python.problems[0]?.message);
  const draft = emptyDraft(python.value.data);
  const placed = (place: string) =>
    recordedIn(
      {
        ...draft,
        parts: draft.parts.map((part) => (part.ref === 'W1' ? { ...part, at: { 1: place } } : part)),
      },
      python.value.data,
    ).table;
  expect(placed('D13')).toContain('U1.D13');
  expect(placed('d13')).toMatch(/,d13$/m);
});
