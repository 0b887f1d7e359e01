import { describe, expect, test } from 'vitest';
import { benchWork, beginningText, bringUpText } from '@/core/course/bench-work';
import {
  DEFAULT_HOUSE_RULES,
  houseQuestionIds,
  judgedRules,
  questionOf,
  statementRules,
  type HouseQuestionId,
  type HouseRules,
} from '@/core/course/house-rules';
import { emptyExercise } from '@/core/course/new-exercise';
import { exerciseFrom, type Exercise } from '@/core/formats/exercise';
import { diagnosticProgram } from '@/core/generated/diagnostic';
import { taskOf } from '../core/generated/task';
import { givenProgram } from '@/core/generated/given';
import { hookupOf } from '@/core/generated/hookup';
import { inspect } from '@/core/judge/inspect';
import { circuitOf } from '@/core/statements';
import { USUAL_KIT } from '@/core/statements/kit';
import { courseExercises } from '@/core/testing/course';
import { readWiring } from '@/core/wiring/read';
import { writeTable } from '@/core/wiring/table';
import { withLegAt, withPart, type Wiring } from '@/core/wiring/wiring';
import { inWords } from '@/core/words/words';
import { settle, sheetOf } from '@/core/worksheet/sheet';
import { studentForm } from '@/server/exercises/student-form';

const named = (id: string): Exercise => courseExercises.find(({ name }) => name === id)!.exercise;
const [beacon, bell, gauge] = ['beacon', 'night-bell', 'tide-gauge'].map(named) as [
  Exercise,
  Exercise,
  Exercise,
];

/** The circuit that part lines make under rules. */
const circuitUnder = (rules: HouseRules, ...lines: readonly string[]): unknown =>
  circuitOf(
    lines.map((text) => ({ text, refs: [] })),
    { board: beacon.board, rules: statementRules(rules), kit: USUAL_KIT },
  ).nets.map(({ points }) => points);

/** The layout of an exercise's lines under rules. */
function layoutUnder(rules: HouseRules, { data }: Exercise): string | undefined {
  const sheet = sheetOf(data, DEFAULT_HOUSE_RULES);
  const settled = sheet.ok && settle(sheet.value, rules, 'anew');
  return settled && settled.ok ? settled.value.sheet.layout : undefined;
}

/** What is said of a build that differs from the beacon in its wiring alone, judged by rules. */
function saidOf(rules: HouseRules, wiring: Wiring, asked: Exercise = beacon): readonly string[] {
  const exercise = exerciseFrom({ ...asked.data, rules: judgedRules(rules) });
  if (!exercise.ok) throw new Error(exercise.problems[0]!.message);
  return inspect(exercise.value, wiring)
    .observations.filter(({ code }) => code === 'layout-convention')
    .map(({ message }) => message);
}

const wiringOf = (table: string): Wiring => {
  const read = readWiring(table);
  if (!read.ok) throw new Error(read.problems[0]!.message);
  return read.value;
};
const HEAD = 'ref,kind,value,leg,at\nU1,board,learner-5v,,\nB1,breadboard,half,,\n';
const LED = 'D1,led,amber,anode,e5\nD1,led,amber,cathode,e6\n';
const W = (name: string, from: string, to: string): string =>
  `${name},wire,blue,1,${from}\n${name},wire,blue,2,${to}\n`;
const onLongLeg = wiringOf(
  `${HEAD}D1,led,amber,anode,e5\nD1,led,amber,cathode,e8\nR1,resistor,330,1,a4\nR1,resistor,330,2,a5\n${W('W1', '13', 'b4')}${W('W2', 'GND', 'a8')}`,
);
const onShortLeg = wiringOf(
  `${HEAD}${LED}R1,resistor,330,1,d6\nR1,resistor,330,2,d9\n${W('W1', '13', 'a5')}${W('W2', 'GND', 'a9')}`,
);
/** The resistor straight in the board's socket. */
const besides = withPart(
  onShortLeg,
  withLegAt(
    onShortLeg.parts.find(({ ref }) => ref === 'R1')!,
    onShortLeg.parts.find(({ ref }) => ref === 'R1')!.legs[1]!.leg,
    {
      type: 'pin',
      ref: onShortLeg.board!.ref,
      pin: 'GND',
    },
  ),
);
const besidesAsked = exerciseWith(besides);

/** The beacon with another drawing. */
function exerciseWith(reference: Wiring): Exercise {
  const read = exerciseFrom({ ...beacon.data, layout: writeTable(reference), lines: undefined });
  if (!read.ok) throw new Error(read.problems[0]!.message);
  return read.value;
}

/** What comes of each answer: whatever follows the rule, from the core as the pages use it. */
const followed: Readonly<Record<HouseQuestionId, (rules: HouseRules) => unknown>> = {
  buttonInput: (rules) => circuitUnder(rules, 'button on 2'),
  resistorSide: (rules) => [
    circuitUnder(rules, 'red LED on 9 with 330'),
    saidOf(rules, onLongLeg),
    saidOf(rules, onShortLeg),
  ],
  // A short leg goes into the rail where its resistor is on the long one.
  cathode: (rules) => layoutUnder({ ...rules, resistorSide: 'anode' }, beacon),
  groundRail: (rules) => layoutUnder(rules, beacon),
  firstLight: (rules) => benchWork(beacon.reference, beacon.board, rules).trial,
  pinNames: (rules) => [
    diagnosticProgram(hookupOf(named('fog-lamp').reference, beacon.board), {
      title: 'x',
      language: 'cpp',
      names: rules.nameStyle,
      pinNames: rules.pinNames,
    }),
  ],
  resistorValue: (rules) =>
    circuitOf([{ text: 'red LED on 9', refs: [] }], {
      board: beacon.board,
      rules: statementRules(rules),
      kit: USUAL_KIT,
    }).parts,
  clipLeads: (rules) => [saidOf(rules, besides), saidOf(rules, besides, besidesAsked)],
  language: (rules) => emptyExercise('x', 'X', 'learner-5v', rules.language).language,
  screenOrBench: (rules) => beginningText(rules),
  programGiven: (rules) => givenProgram(bell, rules),
  stepsAtBench: (rules) => [taskOf(beacon, rules, false), taskOf(beacon, rules, true)],
  wiringOrder: (rules) => benchWork(gauge.reference, gauge.board, rules).steps.map(({ text }) => text),
  uploadOrder: (rules) => bringUpText(beacon.board, rules),
  redWires: (rules) => layoutUnder(rules, gauge),
  nameStyle: (rules) => givenProgram(named('signal-lantern'), rules),
  words: (rules) => inWords('The potentiometer dims the LED after a delay.', rules.words),
  wireColours: (rules) => layoutUnder(rules, gauge),
  solution: (rules) => studentForm(beacon, rules.solution),
};

describe('every house rule is followed', () => {
  const pairs = houseQuestionIds.flatMap((id) => {
    const schools = questionOf(id).schools.map((school) => school.id);
    return schools.flatMap((one, index) =>
      schools.slice(index + 1).map((other) => [id, one, other] as const),
    );
  });

  test.each(pairs)('%s: “%s” makes something else than “%s”', (id, one, other) => {
    const under = (school: string): unknown => followed[id]({ ...DEFAULT_HOUSE_RULES, [id]: school });
    expect(under(one)).not.toEqual(under(other));
  });
});
