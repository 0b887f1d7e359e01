import { benchWork } from '../course/bench-work';
import type { HouseRules } from '../course/house-rules';
import { exerciseAtStage } from '../course/stages';
import { expectationSentence } from '../expectations';
import type { Exercise } from '../formats/exercise';
import { markingSentences } from '../formats/rubric';
import { isContact, isResistor, kindOf } from '../parts';
import { cautionsOf } from '../plan/cautions';
import { stimulusSentenceOf } from '../stimuli';
import { writeTable } from '../wiring/table';
import type { PlacedPart } from '../wiring/wiring';
import { capital } from '../words/words';
import { hookupOf } from './hookup';

/** A run that is asked for: what is done, and what must be seen. */
export interface AskedRun {
  readonly name: string;
  readonly done: readonly string[];
  readonly seen: readonly string[];
}

/** Parts of one sort in the bag. */
export interface AskedPart {
  readonly refs: readonly string[];
  readonly kind: string;
  readonly value: string;
  /** How it is called: `330 Ω resistor`. */
  readonly title: string;
  /** Its resistance, for its bands, in Ω. */
  readonly ohms?: number;
  /** How its legs are known: `long leg: the longer leg`. */
  readonly knownBy: readonly string[];
}

/** A pin that the exercise names, and what belongs there. */
export interface AskedPin {
  readonly pin: string;
  readonly what: string;
  /** Other pins that will do as well. */
  readonly orElse: readonly string[];
}

/** What could go wrong for people or parts, to be said where it applies. */
export interface AskedCaution {
  readonly text: string;
  /** Before anything is begun, with the parts that it is about, or while a fault is looked for. */
  readonly when: 'before' | 'with-parts' | 'find-fault';
  readonly refs: readonly string[];
}

/** The build in steps, with its wiring as a table and what is plugged in after each. */
export interface AskedSteps {
  readonly layout: string;
  readonly steps: readonly {
    /** The part that is new. */
    readonly ref: string;
    readonly text: string;
    readonly checkpoint: string;
    readonly present: readonly string[];
  }[];
  /** How the build is tried before any program, where the course does so. */
  readonly trial?: string;
}

/** What can be tried on the way, before everything is built. */
export interface AskedStage {
  readonly name: string;
  /** The parts that must be in for it. */
  readonly refs: readonly string[];
  readonly runs: readonly AskedRun[];
  /** The program to try it with; left out where learners write their own. */
  readonly program?: string;
  /** The step of the build after which it can be tried, from 1, where the steps are shown. */
  readonly afterStep?: number;
}

/** What a learner is to do, as far as the author and the course tell it. */
export interface Task {
  readonly aim: string;
  /** What the author says of the building. */
  readonly build?: string;
  /** What is left to the learner to decide, where something is. */
  readonly open?: { readonly asks: string; readonly least: number };
  readonly runs: readonly AskedRun[];
  readonly stages: readonly AskedStage[];
  /** How it is marked, in sentences; none where there is nothing to say of that. */
  readonly marked: readonly string[];
  readonly parts: readonly AskedPart[];
  readonly pins: readonly AskedPin[];
  readonly cautions: readonly AskedCaution[];
  /** When the steps may be seen; they are there only when they may be now. */
  readonly stepsWhen: HouseRules['stepsAtBench'];
  readonly steps?: AskedSteps;
}

/**
 * The task of an exercise for whoever is to solve it: from the author's words, the scenarios, and the bag. Nothing is in
 * it of how it is solved, but for the steps where the course shows them; `hasTried`: whether the learner has handed in.
 */
export function taskOf(
  exercise: Exercise,
  rules: Pick<HouseRules, 'stepsAtBench' | 'wiringOrder' | 'firstLight' | 'programGiven'>,
  hasTried: boolean,
): Task {
  const { data } = exercise;
  const build = data.text['build'];
  const maySee = rules.stepsAtBench === 'shown' || (rules.stepsAtBench === 'after-try' && hasTried);
  const steps = maySee ? askedSteps(exercise, rules) : undefined;
  return {
    aim: data.aim,
    ...(typeof build === 'string' && build.trim() !== '' ? { build } : {}),
    ...(data.open ? { open: { asks: data.open.asks, least: data.open.least } } : {}),
    runs: askedRuns(exercise),
    stages: askedStages(exercise, rules, steps),
    marked: markingSentences(data),
    parts: askedParts(exercise),
    pins: askedPins(exercise),
    cautions: askedCautions(exercise),
    stepsWhen: rules.stepsAtBench,
    ...(steps ? { steps } : {}),
  };
}

function askedRuns(exercise: Exercise): readonly AskedRun[] {
  const called = withTitles(exercise);
  return exercise.data.scenarios.map(({ name, stimuli, expect }) => ({
    name,
    done: oneAfterAnother(
      stimuli.map((stimulus) => called(stimulusSentenceOf(stimulus, exercise.data.parts))),
    ),
    seen: expect.map((expectation) => capital(called(expectationSentence(expectation)))),
  }));
}

/** The stages that the circuit has; one about parts that are gone is none. */
function askedStages(
  exercise: Exercise,
  { programGiven }: Pick<HouseRules, 'programGiven'>,
  steps: AskedSteps | undefined,
): readonly AskedStage[] {
  return (exercise.data.stages ?? []).flatMap(({ name, program }) => {
    const atStage = exerciseAtStage(exercise, name);
    if (!atStage.ok || atStage.value.data.scenarios.length === 0) return [];
    const { parts } = atStage.value.reference;
    const after = steps?.steps.findIndex(({ present }) => parts.every(({ ref }) => present.includes(ref)));
    return {
      name,
      refs: parts.flatMap(({ ref, kind }) => (kindOf(kind).conductor ? [] : ref)),
      runs: askedRuns(atStage.value),
      ...(programGiven === 'nothing' ? {} : { program }),
      ...(after === undefined || after < 0 ? {} : { afterStep: after + 1 }),
    };
  });
}

/**
 * A sentence for a learner: with what each part is, `the amber LED D1`, and what is done to it where a time counts from
 * there, `within 0.1 s of pressing S1`; without what a time says already, and with its figures and units on one line.
 */
function withTitles({ reference }: Exercise): (sentence: string) => string {
  const titles = new Map(reference.parts.map((part) => [part.ref as string, titleOf(part)]));
  const contacts = new Set<string>(reference.parts.filter(isContact).map(({ ref }) => ref));
  return (sentence) =>
    sentence
      .replace(
        /(\bwithin [\d.]+ s of|\bafter) ([A-Z]{1,4}\d{1,4})\b/g,
        (_, since: string, name: string) =>
          `${since} ${contacts.has(name) ? 'pressing' : 'a change of'} ${name}`,
      )
      .replace(/(?<![\w“])([A-Z]{1,4}\d{1,4})\.([a-z]\w*)/g, (_, name: string, light: string) => {
        const number = /^a(\d+)$/.exec(light)?.[1];
        return number === undefined ? `the ${light} light of ${name}` : `LED ${number} of ${name}`;
      })
      // Of several lights of one housing the housing is named once.
      .replace(/( of [A-Z]{1,4}\d{1,4})(?=.*\1)/g, '')
      .replace(/(?<![\w“])[A-Z]{1,4}\d{1,4}(?![\w.])/g, (name) => {
        const title = titles.get(name);
        return title === undefined ? name : `the ${title} ${name}`;
      })
      .replace(/ never lit together/, ' are never lit together')
      .replace(/ lit (?=[\d.]+ s, dark )/, ' is lit ')
      .replace(/ all the time(?= (?:from|until) )/g, '')
      .replace(/(\d) (s|%|Hz|°C|m)(?!\w)/g, '$1\u00a0$2');
}

/** What is done again to the same part is said by its time alone: `press … S1 at 1 s`, `at 2 s`. */
function oneAfterAnother(sentences: readonly string[]): readonly string[] {
  const beginning = (sentence: string): string => sentence.slice(0, Math.max(0, sentence.indexOf(' at ')));
  return sentences.map((sentence, index) => {
    const begins = beginning(sentence);
    const isAgain = index > 0 && begins !== '' && beginning(sentences[index - 1]!) === begins;
    return isAgain ? sentence.slice(begins.length + 1) : sentence;
  });
}

/** What a part is called: an LED by its colour, all others by their kind. */
const titleOf = ({ kind: name, value }: Pick<PlacedPart, 'kind' | 'value'>): string => {
  const kind = kindOf(name);
  return kind.observed === 'light' ? kind.describe(value) : kind.title;
};

const askedCautions = (exercise: Exercise): readonly AskedCaution[] =>
  cautionsOf(exercise, []).map(({ text, step, refs }) => ({
    text,
    when: step === 'find-fault' ? 'find-fault' : refs.length > 0 ? 'with-parts' : 'before',
    refs,
  }));

function askedParts({ reference }: Exercise): readonly AskedPart[] {
  const sorts = new Map<string, AskedPart>();
  for (const part of reference.parts) {
    const kind = kindOf(part.kind);
    const title = kind.describe(part.value);
    const known = sorts.get(title);
    sorts.set(title, {
      refs: [...(known?.refs ?? []), part.ref],
      kind: part.kind,
      value: part.value.text,
      title,
      ...(isResistor(part) && part.value.amount !== undefined ? { ohms: part.value.amount } : {}),
      // What has more legs than these is known by its picture.
      knownBy:
        kind.conductor || kind.legs.length > MOST_LEGS_IN_WORDS
          ? []
          : kind.legs.flatMap(({ title: leg, knownBy }) =>
              knownBy === undefined ? [] : `${leg}: ${knownBy}`,
            ),
    });
  }
  // What is tried and seen first; wires, which are many and alike, last.
  return [...sorts.values()].sort(
    (one, other) => Number(kindOf(one.kind).conductor) - Number(kindOf(other.kind).conductor),
  );
}

/** Legs of a part that are told apart in words. */
const MOST_LEGS_IN_WORDS = 3;

function askedPins({ reference, board, pinFreedom }: Exercise): readonly AskedPin[] {
  const hooked = hookupOf(reference, board);
  return hooked.map(({ pin, words, ref }) => {
    const part = reference.parts.find((one) => one.ref === ref)!;
    const isOneOfSeveral = hooked.filter((other) => other.ref === ref).length > 1;
    return {
      pin,
      what: `${titleOf(part)} ${ref}${isOneOfSeveral ? `, ${words.join(' ')}` : ''}`,
      orElse: (pinFreedom.get(pin) ?? []).filter((other) => other !== pin),
    };
  });
}

function askedSteps(
  { reference, board }: Exercise,
  rules: Pick<HouseRules, 'wiringOrder' | 'firstLight'>,
): AskedSteps {
  const { steps, trial } = benchWork(reference, board, rules);
  return {
    layout: writeTable(reference),
    steps: steps.map(({ ref, text, checkpoint, present }) => ({
      ref,
      text,
      checkpoint,
      present: [...present],
    })),
    ...(trial === undefined ? {} : { trial }),
  };
}
