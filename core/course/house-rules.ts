import * as z from 'zod';
import { schemaProblems } from '../json';
import { DEFAULT_RULES, type PlacementRules } from '../plan/placement';
import { fail, ok, type Result } from '../result';
import type { StatementRules } from '../statements';

/** One way to do a thing that good practitioners have. */
export interface School {
  readonly id: string;
  readonly title: string;
  /** What it means at the bench. */
  readonly means: string;
}

/** A question on which schools differ; the first school is the one that is followed when nothing is said. */
export interface HouseQuestion {
  readonly id: string;
  readonly question: string;
  /** What the answer decides. */
  readonly decides: 'circuit' | 'layout' | 'program' | 'steps' | 'words' | 'judging';
  readonly schools: readonly [School, School, ...School[]];
  /** Why the first is the default. */
  readonly why: string;
}

const school = <Id extends string>(id: Id, title: string, means: string): School & { readonly id: Id } => ({
  id,
  title,
  means,
});

/** Where good practitioners differ. */
export const houseQuestions = {
  buttonInput: {
    question: 'How is a button’s line held while nobody presses?',
    decides: 'circuit',
    schools: [
      school('pull-up-inside', 'Pull-up inside the board', 'The button joins its pin to ground.'),
      school(
        'pull-down',
        'Pull-down resistor',
        'The button joins its pin to the supply; a resistor holds it low.',
      ),
      school('pull-up', 'Pull-up resistor', 'The button joins its pin to ground; a resistor holds it high.'),
    ],
    why: 'One part fewer, and no way to short the supply through the button.',
  },
  resistorSide: {
    question: 'On which leg of an LED is its resistor?',
    decides: 'circuit',
    schools: [
      school('either', 'Either', 'Drawn on the short leg; a build may have it on the long one.'),
      school(
        'cathode',
        'On the short leg',
        'Between LED and ground; the report mentions one on the long leg.',
      ),
      school('anode', 'On the long leg', 'Between pin and LED; the report mentions one on the short leg.'),
    ],
    why: 'Both work; on the short leg it saves a wire.',
  },
  cathode: {
    question: 'Where does the short leg of an LED go?',
    decides: 'layout',
    schools: [
      school('own-row', 'Into a row of its own', 'A part or a wire goes on from there.'),
      school('into-rail', 'Straight into the ground rail', 'The compact form for many LEDs.'),
    ],
    why: 'The row rule is what is being learnt.',
  },
  groundRail: {
    question: 'When is a rail used?',
    decides: 'layout',
    schools: [
      school('always', 'From the first exercise on', 'Ground goes through the rail even for one part.'),
      school('shared', 'Only where a node is shared', 'Two ends are joined directly.'),
    ],
    why: 'A habit that pays off later.',
  },
  firstLight: {
    question: 'How does an LED light up for the first time?',
    decides: 'steps',
    schools: [
      school('supply', 'From the supply, before any code', 'The build is tried on the supply socket.'),
      school('code', 'From the program at once', 'The first light is the program’s.'),
    ],
    why: 'It separates wiring faults from code faults.',
  },
  pinNames: {
    question: 'How are pins named in code?',
    decides: 'program',
    schools: [
      school(
        'constants-when-twice',
        'Constants as soon as a number occurs twice',
        'A single use may stay a number.',
      ),
      school('constants', 'Always constants', 'Every pin has a name at the top.'),
      school('numbers', 'Plain numbers', 'The number is written where it is used.'),
    ],
    why: 'A name is learnt when it saves something.',
  },
  resistorValue: {
    question: 'How bright are LEDs meant to be?',
    decides: 'circuit',
    schools: [
      school('mid', 'Clear in a lit room', 'About 8 mA: 330 Ω at 5 V.'),
      school('lowest-safe', 'As bright as is safe', 'About 16 mA: 150 Ω at 5 V.'),
      school('frugal', 'Dim but frugal', 'About 3 mA: 1 kΩ at 5 V.'),
    ],
    why: 'Clear to see, and all the LEDs together stay within the limits of the board.',
  },
  clipLeads: {
    question: 'Is a build without a breadboard accepted?',
    decides: 'judging',
    schools: [
      school(
        'where-said',
        'Where the exercise says so',
        'Where the drawing does without, nothing is said; elsewhere the report mentions it.',
      ),
      school('always', 'Always', 'Any way of connecting is as good as another.'),
      school('never', 'Never', 'The report says that parts go on the breadboard, even when the build works.'),
    ],
    why: 'The breadboard is part of what is learnt.',
  },
  language: {
    question: 'Which language do exercises begin in?',
    decides: 'program',
    schools: [
      school('board', 'The board’s own', 'C++ or Python, as the board has it.'),
      school('cpp', 'C++', 'With setup and loop.'),
      school('python', 'Python', 'With pin objects.'),
    ],
    why: 'Beginners take home code in the board’s own language.',
  },
  screenOrBench: {
    question: 'Screen first or bench first?',
    decides: 'steps',
    schools: [
      school('bench', 'Build at once', 'Learners start with the real parts.'),
      school('screen', 'Plan on screen, then build', 'The wiring is planned on screen first.'),
      school('screen-only', 'Screen only', 'Homework without a kit.'),
    ],
    why: 'Hands learn from parts.',
  },
  stepsAtBench: {
    question: 'When does a learner see the build in steps, with pictures?',
    decides: 'steps',
    schools: [
      school(
        'hidden',
        'Not at all',
        'The task, the parts and the pins are shown; the circuit is found by the learner.',
      ),
      school('after-try', 'After the first hand-in', 'Whoever has tried may look at how it is built.'),
      school('shown', 'From the beginning', 'Each step stands at the bench with its picture.'),
    ],
    why: 'Finding the way is what is learnt.',
  },
  programGiven: {
    question: 'How much of the program is a learner given?',
    decides: 'program',
    schools: [
      school('example', 'A working example to change', 'It tries each part of the build in turn.'),
      school('gaps', 'One with gaps', 'Pins and setup, with the lines to learn left out.'),
      school('nothing', 'Nothing', 'It is typed line by line.'),
    ],
    why: 'Reading comes before writing.',
  },
  wiringOrder: {
    question: 'In what order is a circuit wired?',
    decides: 'steps',
    schools: [
      school('supply-last', 'Ground, parts, signals, supply', 'Power comes last.'),
      school('supply-first', 'Ground and supply, parts, signals', 'Signals come last.'),
    ],
    why: 'Nothing can be live before it is looked at.',
  },
  uploadOrder: {
    question: 'Wire first or load the program first?',
    decides: 'steps',
    schools: [
      school(
        'wire-first',
        'Wire, look twice, then power and load',
        'The board is off while hands are in it.',
      ),
      school('load-first', 'Load the new program before rewiring', 'No old program drives the new wiring.'),
    ],
    why: 'Power is off while wiring.',
  },
  redWires: {
    question: 'What are red wires for?',
    decides: 'layout',
    schools: [
      school('supply-only', 'Only for the supply', 'Red always means supply.'),
      school('feeding-pins-too', 'Also for a pin that powers a part', 'When other colours run out.'),
    ],
    why: 'A colour that means one thing is read at a glance.',
  },
  nameStyle: {
    question: 'How are names written in code?',
    decides: 'program',
    schools: [
      school('upper', 'LED_PIN', 'Capitals for what never changes.'),
      school('camel', 'ledPin', 'A capital for each new word.'),
      school('snake', 'led_pin', 'Underscores between the words.'),
    ],
    why: 'One per course; any is accepted.',
  },
  words: {
    question: 'Which words does the course use?',
    decides: 'words',
    schools: [
      school('technical', 'LED, potentiometer, delay', 'The words on the bags and in data sheets.'),
      school('plain', 'lamp, knob, pause', 'The plainest words there are.'),
    ],
    why: 'Learners find the same words on the bag, in the kit’s booklet and in every search.',
  },
  wireColours: {
    question: 'Which colours do signal wires take?',
    decides: 'layout',
    schools: [
      school('in-turn', 'One each, in turn', 'Yellow, green, blue, white, orange …'),
      school('one', 'One for all', 'All signals yellow.'),
    ],
    why: 'You find a wire again by its colour.',
  },
  solution: {
    question: 'What of the drawing may a learner’s tablet hold?',
    decides: 'judging',
    schools: [
      school(
        'hidden',
        'Nothing',
        'Builds are checked on the server; the tablet holds nothing of the solution.',
      ),
      school(
        'shown',
        'The drawing and its connections',
        'Builds are checked on the tablet itself, also without a connection.',
      ),
    ],
    why: 'Anyone who wants to can read whatever a page holds.',
  },
} as const satisfies Readonly<Record<string, Omit<HouseQuestion, 'id'>>>;

export type HouseQuestionId = keyof typeof houseQuestions;
type Answer<Id extends HouseQuestionId> = (typeof houseQuestions)[Id]['schools'][number]['id'];

/** The answers of a course or an exercise to every question. */
export type HouseRules = { readonly [Id in HouseQuestionId]: Answer<Id> };

export const houseQuestionIds = Object.keys(houseQuestions) as readonly HouseQuestionId[];

/** A question with its schools, for those who list them. */
export const questionOf = (id: HouseQuestionId): HouseQuestion => ({ id, ...houseQuestions[id] });

export const DEFAULT_HOUSE_RULES = Object.fromEntries(
  houseQuestionIds.map((id) => [id, houseQuestions[id].schools[0].id]),
) as HouseRules;

/** What a course or an exercise says itself; the rest is as before. */
export const ownRulesSchema = z.looseObject(
  Object.fromEntries(
    houseQuestionIds.map((id) => [
      id,
      z.enum(houseQuestions[id].schools.map((one) => one.id) as [string, ...string[]]).optional(),
    ]),
  ),
);

/** The rules that hold where `own` says something of its own; an unknown school is refused with its question. */
export function rulesWith(base: HouseRules, own: unknown): Result<HouseRules> {
  const read = ownRulesSchema.safeParse(own ?? {});
  if (!read.success)
    return fail(
      ...schemaProblems(read.error).map((problem) => ({ ...problem, path: `rules.${problem.path ?? ''}` })),
    );
  const said = Object.entries(read.data).filter(
    ([id, answer]) => Object.hasOwn(houseQuestions, id) && answer !== undefined,
  );
  return ok({ ...base, ...Object.fromEntries(said) } as HouseRules);
}

/**
 * The rules that hand-ins are judged by. They go into an exercise when it is published, so that the same hand-in is
 * judged alike whatever the course says later.
 */
export const judgedRules = ({
  cathode,
  resistorSide,
  clipLeads,
  redWires,
  pinNames,
}: HouseRules): Pick<HouseRules, 'cathode' | 'resistorSide' | 'clipLeads' | 'redWires' | 'pinNames'> => ({
  cathode,
  resistorSide,
  clipLeads,
  redWires,
  pinNames,
});

/** The rules by which part lines are filled in. */
export const statementRules = ({
  buttonInput,
  resistorSide,
  resistorValue,
  words,
}: HouseRules): StatementRules => ({
  buttonInput,
  words,
  resistorSide: resistorSide === 'anode' ? 'anode' : 'cathode',
  resistorValue,
});

/** The rules by which circuits are laid out. */
export function placementRules({ groundRail, cathode, redWires, wireColours }: HouseRules): PlacementRules {
  const { colours } = DEFAULT_RULES;
  const signals = wireColours === 'one' ? colours.signals.slice(0, 1) : colours.signals;
  return {
    groundRail,
    cathode,
    colours: {
      ...colours,
      signals: redWires === 'feeding-pins-too' ? [...signals, colours.supply] : signals,
    },
  };
}
