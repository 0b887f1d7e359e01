import { describe, expect, test } from 'vitest';
import { legName, pointName, ref } from '../brand';
import { DEFAULT_HOUSE_RULES } from '../course/house-rules';
import { emptyExercise } from '../course/new-exercise';
import { exerciseFrom } from '../formats/exercise';
import { courseExercises } from '../testing/course';
import { readWiring } from '../wiring/read';
import { applyChanges, inverseOf, isOvertaken, joinedWith, type Change, fieldChanges } from './change';
import { takeWiring } from './from-wiring';
import { nudge, putLeg } from './nudge';
import { readOutAtOnce } from './read-out';
import { readOut } from './read-out-in-full';
import { joinLeg, movePin } from './rewire';
import { ruleEffect } from './rule-effect';
import { settle, sheetOf, type Sheet } from './sheet';

const RULES = DEFAULT_HOUSE_RULES;

/** A settled sheet of these lines on the learner board. */
function sheetSaying(...texts: readonly string[]): Sheet {
  const empty = emptyExercise('test', 'Test', 'learner-5v');
  const lines = texts.map((text, index) => ({ id: `l${index + 1}`, text, refs: [] }));
  return settled({ ...empty, lines });
}

function settled(sheet: Sheet): Sheet {
  const result = settle(sheet, RULES);
  if (!result.ok) throw new Error(result.problems[0]!.message);
  return result.value.sheet;
}

const netsOf = (sheet: Sheet): readonly string[] =>
  sheet.nets.map(({ points }) => [...points].sort().join(' ')).sort();

const changesOf = (result: ReturnType<typeof movePin>): readonly Change[] => {
  if (!result.ok) throw new Error(result.problems[0]!.message);
  return result.value;
};

const after = (sheet: Sheet, changes: readonly Change[]): Sheet =>
  settled(applyChanges(sheet, changes).sheet);

describe('a sheet', () => {
  test('of every exercise of the course says its own circuit and keeps its own layout', () => {
    for (const { name, exercise } of courseExercises) {
      const sheet = sheetOf(exercise.data, RULES);
      if (!sheet.ok) throw new Error(name);
      const result = settle(sheet.value, RULES);
      if (!result.ok) throw new Error(name);
      expect(netsOf(result.value.sheet), name).toEqual(netsOf({ ...exercise.data, lines: [] }));
      expect(result.value.sheet.layout, name).toBe(exercise.data.layout);
      expect(exerciseFrom(result.value.sheet).ok, name).toBe(true);
    }
  });

  test('keeps its author’s own words while they still say the circuit', () => {
    const sheet = sheetSaying('red lamp, pin 12, please');
    const again = sheetOf(sheet, RULES);
    expect(again.ok && again.value.lines[0]!.text).toBe('red lamp, pin 12, please');
    const other = sheetOf({ ...sheet, nets: sheet.nets.slice(1) }, RULES);
    expect(other.ok && other.value.lines[0]!.text).not.toContain('please');
  });

  test('leaves parts where they are when a line is added, and gives a half written one its names back', () => {
    const sheet = sheetSaying('red lamp on 12');
    const more = settled({ ...sheet, lines: [...sheet.lines, { id: 'l2', text: 'button on 2', refs: [] }] });
    const rows = (one: Sheet): readonly string[] =>
      (one.layout ?? '').split('\n').filter((row) => /^[DR]1,/.test(row));
    expect(rows(more)).toEqual(rows(sheet));
    const half = settled({
      ...more,
      lines: more.lines.map((line) => (line.id === 'l1' ? { ...line, text: 'red lamp on 99' } : line)),
    });
    expect(half.parts.map((part) => part.ref)).toEqual(['U1', 'B1', 'S1']);
    expect(half.lines[0]!.refs).toEqual(['D1', 'R1']);
    const led = readWiring(more.layout!);
    const whole = settle({ ...half, lines: more.lines }, RULES, 'keep', led.ok ? led.value.parts : []);
    expect(whole.ok && rows(whole.value.sheet)).toEqual(rows(sheet));
  });

  const growing: readonly (readonly [board: string, kinds: string, lines: readonly string[]])[] = [
    [
      'python-3v3',
      'the same sensor again and again',
      [
        'amber LED on D13 with 220',
        ...Array.from({ length: 5 }, () => 'distance sensor trig D9 echo D10'),
        'red LED on D3 with 330',
      ],
    ],
    [
      'learner-5v',
      'sensors before what stands across the gap',
      [
        'amber LED on 13 with 220',
        ...['2 echo 3', '4 echo 5', '6 echo 7', '8 echo 9', '11 echo 12'].map(
          (pins) => `distance sensor trig ${pins}`,
        ),
        'red LED on 10 with 330',
        'button on A0',
        'buzzer on A1',
        'blue LED on A2 with 330',
      ],
    ],
  ];
  test.each(growing)('that grows line by line has room on a half breadboard: %s, %s', (board, _, lines) => {
    let sheet: Sheet = { ...emptyExercise('test', 'Test', board), lines: [] };
    for (const [index, text] of lines.entries()) {
      const result = settle(
        { ...sheet, lines: [...sheet.lines, { id: `l${index}`, text, refs: [] }] },
        RULES,
      );
      expect(result.ok && result.value.layoutProblem, text).toBeUndefined();
      if (result.ok) ({ sheet } = result.value);
    }
  });

  test('that does not fit says how much would', () => {
    const result = settle(
      {
        ...sheetSaying(),
        parts: [
          { ref: 'U1', kind: 'board', value: 'learner-5v' },
          { ref: 'B1', kind: 'breadboard', value: 'mini' },
        ],
        lines: [{ id: 'a', text: '18 red lamps on 2-13, A0-A5', refs: [] }],
      },
      RULES,
    );
    expect(result.ok && result.value.layoutProblem).toMatch(
      /^The circuit does not fit on .* can be placed .*\.$/,
    );
  });

  test('reads out figures, cautions and remarks', () => {
    const result = readOut(sheetSaying('red lamp on 12 without resistor', 'servo on 9 from 5V'), RULES);
    if (!result.ok) throw new Error('unreadable');
    expect(result.value.remarks?.map(({ code }) => code)).toContain('no-series-resistor');
    expect(result.value.figures?.budget[0]?.share).toBeGreaterThan(1);
    expect(result.value.cautions.map(({ text }) => text).join(' ')).toContain(
      'A servo takes more than the board gives',
    );
  });
});

describe('changes', () => {
  const line = (id: string, was: string | null, is: string | null, behind: string | null = null): Change => ({
    type: 'line',
    id,
    was,
    is,
    after: behind,
  });
  const sheet = sheetSaying('red lamp on 12', 'knob on A0');

  test('of several fields are made, and taken back, as one', () => {
    const changes = fieldChanges(sheet, { board: 'chip-5v', boardProfile: undefined, title: 'Other' });
    expect(changes.map((change) => change.type === 'field' && change.field)).toEqual([
      'board',
      'boardProfile',
      'title',
    ]);
    const done = applyChanges(sheet, changes);
    expect(done.overtaken).toEqual([]);
    expect(done.sheet).toMatchObject({ board: 'chip-5v', title: 'Other' });
    expect(applyChanges(done.sheet, changes.map(inverseOf)).sheet).toMatchObject({
      board: sheet.board,
      title: 'Test',
    });
  });

  test('made and taken back leave the sheet as it was', () => {
    const changes: readonly Change[] = [
      line('l1', 'red lamp on 12', 'red lamp on 11'),
      line('l2', 'knob on A0', null, 'l1'),
      line('l9', null, 'button on 2', 'l1'),
      { type: 'field', field: 'title', was: 'Test', is: 'Other' },
      { type: 'field', field: 'breadboards', was: ['half'], is: ['full'] },
    ];
    const done = applyChanges(sheet, changes).sheet;
    expect(done.lines.map(({ text }) => text)).toEqual(['red lamp on 11', 'button on 2']);
    const undone = applyChanges(done, [...changes].reverse().map(inverseOf)).sheet;
    expect(undone.lines.map(({ text }) => text)).toEqual(['red lamp on 12', 'knob on A0']);
    expect(undone.title).toBe('Test');
    expect(undone.parts.find(({ kind }) => kind === 'breadboard')?.value).toBe('half');
  });

  test('that someone else has overtaken are not made, and said', () => {
    const first = applyChanges(sheet, [line('l1', 'red lamp on 12', 'red lamp on 11')]).sheet;
    const second = applyChanges(first, [
      line('l1', 'red lamp on 12', 'red lamp on 10'),
      line('l2', 'knob on A0', 'knob on A1'),
    ]);
    expect(second.overtaken).toHaveLength(1);
    expect(second.sheet.lines.map(({ text }) => text)).toEqual(['red lamp on 11', 'knob on A1']);
    expect(isOvertaken(first, line('l1', 'x', 'red lamp on 11'))).toBe(false);
  });

  test('of one place are one, so that a word is undone as one', () => {
    expect(joinedWith(line('l1', 'a', 'ab'), line('l1', 'ab', 'abc'))).toEqual(line('l1', 'a', 'abc'));
    expect(joinedWith(line('l1', 'a', 'ab'), line('l2', 'x', 'xy'))).toBeUndefined();
  });
});

describe('the connection list is edited', () => {
  test('a pin moves in the line that named it', () => {
    const sheet = sheetSaying('3 red lamps on 2-4', 'knob on A0');
    const moved = after(sheet, changesOf(movePin(sheet, RULES, '3', '9')));
    expect(moved.lines[0]!.text).toBe('3 red lamps on 2, 9, 4');
    expect(movePin(sheet, RULES, '13', '9').ok).toBe(false);
  });

  test('a leg is joined elsewhere, in usual words where the circuit still follows them', () => {
    const sheet = sheetSaying('red lamp on 12 with 330');
    const low = after(sheet, changesOf(joinLeg(sheet, RULES, pointName('R1.2'), pointName('U1.8'))));
    expect(netsOf(low)).toContain('R1.2 U1.8');
    expect(netsOf(low)).toContain('D1.anode U1.12');
    const supply = after(sheet, changesOf(joinLeg(sheet, RULES, pointName('D1.anode'), pointName('U1.5V'))));
    expect(supply.lines.map(({ text }) => text)).toEqual(['red LED on 5V with 330']);
  });

  test('a leg is left free', () => {
    const sheet = sheetSaying('knob on A0');
    const free = after(sheet, changesOf(joinLeg(sheet, RULES, pointName('P1.2'), null)));
    expect(netsOf(free)).toEqual(['P1.1 U1.GND', 'P1.wiper U1.A0']);
  });
});

describe('a part is nudged', () => {
  const sheet = sheetSaying('red lamp on 12 with 330');
  const placesOf = (layout: string | undefined, name: string): readonly string[] => {
    const read = readWiring(layout ?? '');
    if (!read.ok) throw new Error('no layout');
    return read.value.parts
      .find((part) => part.ref === name)!
      .legs.map(({ at }) => (at && 'row' in at ? String(at.row) : ''));
  };

  test('to another row; wires follow, and it is held there', () => {
    const moved = nudge(sheet, RULES, ref('D1'), null, { rows: 9, columns: 0 });
    if (!moved.ok) throw new Error(moved.problems[0]!.message);
    expect(moved.value.held).toEqual(['D1']);
    expect(placesOf(moved.value.layout, 'D1')).toEqual(
      placesOf(sheet.layout, 'D1').map((row) => String(Number(row) + 9)),
    );
    expect(exerciseFrom({ ...sheet, layout: moved.value.layout }).ok).toBe(true);
    const anew = settle({ ...sheet, ...moved.value, held: [...moved.value.held] }, RULES, 'anew');
    expect(anew.ok && placesOf(anew.value.sheet.layout, 'D1')).toEqual(placesOf(moved.value.layout, 'D1'));
  });

  test('off the board, beyond its reach or onto its own other leg it is refused with the reason', () => {
    const off = nudge(sheet, RULES, ref('D1'), null, { rows: -9, columns: 0 });
    expect(!off.ok && off.problems[0]!.message).toContain('no hole further that way');
    const apart = nudge(sheet, RULES, ref('D1'), legName('cathode'), { rows: 20, columns: 0 });
    expect(apart.ok).toBe(false);
    const joined = nudge(sheet, RULES, ref('D1'), legName('cathode'), { rows: -1, columns: 0 });
    expect(!joined.ok && joined.problems[0]!.message).toMatch(/cannot go there|is in that hole/);
    const taken = readWiring(sheet.layout!);
    const hole = taken.ok && taken.value.parts.find((part) => part.ref === 'R1')!.legs[0]!.at;
    if (!hole) throw new Error('R1 is nowhere');
    expect(putLeg(sheet, RULES, ref('D1'), legName('anode'), hole).ok).toBe(false);
  });
});

describe('a wiring is taken in', () => {
  test('as lines and layout, and what passed before still passes', () => {
    for (const { name, exercise } of courseExercises) {
      const sheet = sheetOf(exercise.data, RULES);
      if (!sheet.ok) throw new Error(name);
      const taken = takeWiring(sheet.value, exercise.reference, RULES);
      if (!taken.ok) throw new Error(name);
      const result = after(sheet.value, taken.value);
      expect(netsOf(result), name).toEqual(netsOf(sheet.value));
      expect(result.layout, name).toBe(sheet.value.layout);
      expect(result.parts.map(({ accept }) => accept).filter(Boolean), name).toHaveLength(
        sheet.value.parts.filter(({ accept }) => accept).length,
      );
    }
  });
});

describe('another school', () => {
  const sheet = sheetSaying('button on 2', 'red lamp on 12');

  test('says what it would change here', () => {
    expect(ruleEffect(sheet, RULES, 'buttonInput', 'pull-down').join(' ')).toContain(
      'comes in: 10k resistor',
    );
    expect(ruleEffect(sheet, RULES, 'resistorValue', 'frugal')).toContain('R1 becomes 1k.');
    expect(ruleEffect(sheet, RULES, 'wireColours', 'one')).toContain('Wires get other colours.');
    expect(ruleEffect(sheet, RULES, 'nameStyle', 'camel')).toEqual([
      'The circuit and its layout stay as they are.',
    ]);
  });

  test('changes nothing where the lines say it themselves', () => {
    const said = sheetSaying('button on 2, pull-up');
    expect(ruleEffect(said, RULES, 'buttonInput', 'pull-down')[0]).toContain('Nothing would change here');
  });
});

describe('a value is worked out at once', () => {
  const sheet = sheetSaying('red lamp on 12 with 330');
  const saying = (text: string): Sheet => ({ ...sheet, lines: [{ ...sheet.lines[0]!, text }] });

  test('to the same figures as otherwise', () => {
    const wanted = saying('red lamp on 12 with 470');
    const atOnce = readOutAtOnce(wanted, RULES);
    const slowly = readOut(wanted, RULES, 'keep', 'while typing');
    if (!slowly.ok) throw new Error(slowly.problems[0]!.message);
    expect(atOnce?.readOut).toEqual(slowly.value);
    expect(atOnce?.circuit.parts.map(({ value }) => value)).toContain('470');
  });

  test('but not when the layout has to change, nor when there is none', () => {
    expect(readOutAtOnce(saying('red lamp on 11 with 330'), RULES)).toBeUndefined();
    expect(readOutAtOnce({ ...sheet, layout: undefined }, RULES)).toBeUndefined();
  });
});
