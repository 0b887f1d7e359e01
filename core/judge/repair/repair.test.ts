import { describe, expect, test } from 'vitest';
import type { Edit } from '../../findings/finding';
import { hasPassed } from '../../formats/report';
import { compileProgram } from '../../program';
import { applyTextEdit } from '../../program/problem';
import { beacon, checkBeacon, grammars, LAYOUT, PROGRAM } from '../../testing/beacon';
import { legName } from '../../brand';
import { readPoint, surroundingsOf } from '../../wiring/point';
import { overreachOf, readWiring } from '../../wiring/read';
import { writeTable } from '../../wiring/table';
import type { Build } from '../build';
import { examine, Examiner, type Examination } from '../examine';
import { referenceOf } from '../reference';
import { askedWiring } from './asked-wiring';
import type { Candidate } from './candidate';
import { Drawing } from './drawing';
import { evidenceOfMove } from './evidence-of-moves';
import { programCandidates } from './program-edits';
import type { ProgramWishes } from './wishes';
import { searchRepair } from './search';
import { Target } from './target';
import { wiringCandidates } from './wiring-edits';

const reference = referenceOf(beacon, grammars);

function build(table: string = LAYOUT, program: string = PROGRAM): Build {
  const read = readWiring(table);
  if (!read.ok) throw new Error(read.problems[0]?.message);
  return { wiring: read.value, program: compileProgram(program, beacon.board, grammars) };
}

const compile = (source: string) => compileProgram(source, beacon.board, grammars);
const targetFor = ({ wiring }: Build, examination: Examination): Target =>
  new Target(beacon, askedWiring(beacon, examination), wiring, examination.pairs);
const candidatesFor = (made: Build): readonly Candidate[] => {
  const target = targetFor(made, examine(reference, made));
  const { wiring } = made;
  const look = target.look(wiring);
  return [
    ...wiringCandidates({
      wiring,
      target,
      look,
      drawing: new Drawing(beacon.reference, wiring, target),
      board: beacon.board,
    }),
  ];
};
const search = (made: Build) =>
  searchRepair(new Examiner(reference), made, examine(reference, made), grammars, 1e9);

describe('changes of a wiring', () => {
  const made = build(LAYOUT.replace('B1.a5', 'B1.a4'));
  const candidates = candidatesFor(made);

  test('are few, all towards the circuit that is asked for, and each says in words what to do', () => {
    expect(candidates.length).toBeGreaterThan(4);
    expect(candidates.length).toBeLessThan(40);
    for (const { text, cost, edits } of candidates) {
      expect(text).toMatch(/^(Move|Turn|Take|Add|Put|Swap|Use) .*\.$/);
      expect(cost).toBeGreaterThan(0);
      expect(edits.length).toBeGreaterThan(0);
    }
  });

  test('never lead to a wiring that could not be plugged: each reads back as a table', () => {
    for (const candidate of candidates) {
      const changed = candidate.apply(made)!;
      const read = readWiring(writeTable(changed.wiring));
      expect(read.ok ? '' : `${candidate.text} ${read.problems[0]!.message}`).toBe('');
      for (const part of changed.wiring.parts) expect(overreachOf(part)).toBeUndefined();
    }
  });

  test('do not change the build they are made from', () => {
    const before = writeTable(made.wiring);
    for (const candidate of candidates) candidate.apply(made);
    expect(writeTable(made.wiring)).toBe(before);
  });

  test('prefer the end that is not where the drawing has it', () => {
    const cost = (move: string): number =>
      Math.min(
        ...candidates
          .filter(({ edits }) => edits.some((edit) => 'move' in edit && edit.move === move))
          .map((candidate) => candidate.cost),
      );
    expect(cost('W1.2')).toBeLessThan(cost('D1.anode'));
  });

  test('offer a turn for LEDs, not for resistors and wires', () => {
    expect(
      candidates.flatMap(({ edits }) => edits.flatMap((edit) => ('flip' in edit ? [edit.flip] : []))),
    ).toEqual(['D1']);
  });

  test('are none for a wiring that is right, but the turns', () => {
    expect(candidatesFor(build()).filter(({ edits }) => !edits.some((edit) => 'flip' in edit))).toEqual([]);
  });

  test('offer the value of the reference for another one', () => {
    const values = candidatesFor(build(LAYOUT.replace(/,330,/g, ',47,'))).flatMap(({ edits }) =>
      edits.flatMap((edit) => ('value' in edit ? [edit] : [])),
    );
    expect(values).toEqual([{ value: 'R1', to: '330' }]);
  });

  test('put a missing part in where it is missing, the right way round', () => {
    const withoutLed = LAYOUT.split('\n')
      .filter((line) => !line.startsWith('D1'))
      .join('\n');
    const added = candidatesFor(build(withoutLed)).flatMap(({ edits }) =>
      edits.flatMap((edit) => ('add' in edit && edit.add.startsWith('D1') ? [edit.add] : [])),
    );
    expect(added).toContain('D1,led,amber,anode,B1.e5\nD1,led,amber,cathode,B1.e6');
    for (const rows of added) expect(rows).toMatch(/anode,B1\.[a-e]5\n.*cathode,B1\.[a-e]6$/);
  });
});

describe('changes of a program', () => {
  const wishes: ProgramWishes = {
    pins: [12],
    milliseconds: [500, 2500],
    printed: [],
    isPrintedInTime: false,
    undirected: [],
    floating: [],
    used: [13],
    overflowingLines: [],
    timesTooSmall: [],
    seen: [],
    silent: [],
    unlike: [],
    bouncingLine: undefined,
    heldLine: undefined,
    changeLine: undefined,
    onceLines: [],
    isOver: false,
    endlessLine: undefined,
    asked: PROGRAM,
    fails: 'both',
    stumbles: false,
    isWiredAsAsked: true,
  };
  const changed = (program: string, more: Partial<ProgramWishes> = {}) =>
    programCandidates(compile(program), beacon.board, compile, {
      ...wishes,
      ...more,
    });

  test('replace one token, or put in a line', () => {
    const edits = changed(PROGRAM).map(
      (candidate) => candidate.edits[0] as Extract<Edit, { replace: unknown }>,
    );
    expect(edits.some(({ replace }) => replace.by === '12')).toBe(true);
    expect(edits.some(({ replace }) => replace.by === 'LOW')).toBe(true);
    expect(edits.some(({ replace }) => replace.by === ' delay(2500);')).toBe(true);
  });

  test('leave the rest of the program as it is', () => {
    for (const { edits } of changed(PROGRAM)) {
      const edit = edits[0]!;
      if (!('replace' in edit)) continue;
      const { line, column, length, by } = edit.replace;
      const result = applyTextEdit(PROGRAM, edit.replace);
      expect(result.length).toBe(PROGRAM.length - length + by.length);
      expect(result.split('\n')[line - 1]!.slice(column - 1)).toSatisfy((rest: string) =>
        rest.startsWith(by.split('\n')[0]!),
      );
    }
  });

  test('add a direction where one is missing', () => {
    const program = PROGRAM.replace('pinMode(LAMP, OUTPUT);', '');
    expect(changed(program, { undirected: [13] }).map((candidate) => candidate.text)).toContain(
      'Add pinMode(LAMP, OUTPUT); to setup.',
    );
  });

  test('put no pin twice into a list, and turn a list round as a whole', () => {
    const program = `const int PINS[3] = {4, 5, 6};\n${PROGRAM}`;
    const listed = changed(program, { pins: [4, 5, 6, 7], used: [4, 5, 6, 13], milliseconds: [] })
      .filter(({ text }) => /^Write .* in line 1\.$|^Reverse/.test(text))
      .map(({ text }) => text);
    expect(listed).toEqual([
      'Write 7 instead of 4 in line 1.',
      'Write 7 instead of 5 in line 1.',
      'Write 7 instead of 6 in line 1.',
      'Reverse the list in line 1: 6, 5, 4.',
    ]);
  });

  test('take a loop away that never ends, whole', () => {
    const program = PROGRAM.replace('delay(500);', 'while (true) {\n    int n = 0;\n  }');
    const [gone] = changed(program, { endlessLine: 10 }).filter((candidate) =>
      candidate.text.startsWith('Remove the loop'),
    );
    const edit = gone!.edits[0]!;
    expect('replace' in edit && applyTextEdit(program, edit.replace)).not.toMatch(/while|int n/);
  });

  test('of one that does not compile are its own repairs, each once', () => {
    const texts = changed(PROGRAM.replace('delay(500);', 'delay(500)')).map((candidate) => candidate.text);
    expect(texts).toEqual(['Add ; behind “)” in line 10.']);
  });
});

describe('the search', () => {
  /** The build with everything that the search found. */
  const repaired = (made: Build): Build =>
    search(made).candidates.reduce((now, candidate) => candidate.apply(now)!, made);

  test.each([
    ['one wrong end', LAYOUT.replace('B1.a5', 'B1.a4'), PROGRAM, 1],
    [
      'a turned lamp and a missing semicolon',
      LAYOUT.replace('anode,B1.e5', 'anode,B1.x')
        .replace('cathode,B1.e6', 'cathode,B1.e5')
        .replace('B1.x', 'B1.e6'),
      PROGRAM.replace('500);', '500)'),
      2,
    ],
    [
      'two misspelt names and a wrong rail',
      LAYOUT.replace('B1.a-1', 'B1.j-1'),
      PROGRAM.replace(/digitalWrite/g, 'digitalwrite').replace('pinMode', 'pinmode'),
      3,
    ],
    ['a wrong value and a wrong time', LAYOUT.replace(/,330,/g, ',33,'), PROGRAM.replace('2500', '250'), 2],
  ])('mends %s', (_, table, program, count) => {
    const made = build(table, program);
    expect(search(made).candidates).toHaveLength(count);
    expect(hasPassed(examine(reference, repaired(made)).verdict)).toBe(true);
  });

  test('finds the same each time', () => {
    const made = build(LAYOUT.replace('B1.a-1', 'B1.j-1'), PROGRAM.replace('= 13', '= 12'));
    const texts = () => search(made).candidates.map((candidate) => candidate.text);
    expect(texts()).toEqual(texts());
  });

  test('says what it could not mend', () => {
    const set = search(
      build(
        LAYOUT.replace('B1.a5', 'B1.a4'),
        'void setup() { pinMode(13, OUTPUT); }\nvoid loop() { delay(3); }',
      ),
    );
    expect(set.rest).toBeDefined();
    expect(set.candidates.map((candidate) => candidate.domain)).toEqual(['wiring']);
  });

  test('gives each cause its own repair, whose edits apply', () => {
    const report = checkBeacon(LAYOUT.replace('B1.a-1', 'B1.j-1'), PROGRAM.replace('2500', '250'));
    const edits = report.findings.flatMap((finding) => (finding.cause ? (finding.repair?.edits ?? []) : []));
    expect(edits).toEqual([
      { move: expect.any(String), from: expect.any(String), to: expect.any(String) },
      { replace: expect.objectContaining({ by: '2500', length: 3 }) },
    ]);
  });
});

describe('a repairing move as a finding', () => {
  const { wiring } = build();
  const named = (move: string, from: string, to: string): string | undefined => {
    const around = surroundingsOf(wiring);
    const [ref, leg] = move.split('.') as [string, string];
    const part = wiring.parts.find((one) => one.ref === ref)!;
    const at = from === '' ? undefined : readPoint(from, around);
    const goal = readPoint(to, around);
    if (!goal.ok || at?.ok === false) throw new Error(`${from} ${to}`);
    const placed = { leg: legName(leg), at: at?.value ?? null };
    return evidenceOfMove({ part, leg: placed }, goal.value, beacon.board, wiring).says().code;
  };

  test.each([
    ['W1.2', 'B1.a4', 'B1.a5', 'off-by-one'],
    ['W1.2', 'B1.b6', 'B1.a5', 'off-by-one'],
    ['W1.2', 'B1.f5', 'B1.e5', 'gap-not-crossed'],
    ['W1.2', 'B1.a3', 'B1.a5', 'leg-open'],
    ['R1.2', 'B1.a+6', 'B1.a-6', 'rail-unpowered'],
    ['R1.2', 'B1.e6', 'B1.a-6', 'part-bypassed'],
    ['W1.1', 'U1.12', 'U1.13', 'wrong-pin'],
    ['W2.1', 'U1.5V', 'U1.GND', 'voltage-mismatch'],
    ['W1.2', '', 'B1.a5', 'leg-open'],
  ])('%s from %s to %s is %s', (move, from, to, code) => {
    expect(named(move, from, to)).toBe(code);
  });
});
