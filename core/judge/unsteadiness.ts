import { RESISTOR_TOLERANCE } from '../electrics/worst-case';
import { within } from '../effort';
import type { Observation } from '../findings/finding';
import type { Scenario } from '../formats/scenario';
import type { Language } from '../program';
import type { Trace } from '../rehearsal/trace';
import { isResistor } from '../parts';
import { isPress } from '../stimuli';
import type { Circuit } from '../wiring/circuit';
import type { PlacedPart } from '../wiring/wiring';
import { checkExpectation, isOfChance, type Outcome } from '../expectations';
import { observedOn, type Chance, type Judging } from './judging';
import { wordingOf } from './program';
import { partText } from '../wiring/words';
import { capital } from '../words/words';

/** Ways in which contacts bounce that a build has to stand. */
const BOUNCE_SEEDS = [1, 2, 3];
/** What floating lines may read as besides low. */
const FLOATING: readonly Chance[] = [
  { floatingReads: 'high' },
  { floatingReads: 'noise', seed: 1 },
  { floatingReads: 'noise', seed: 2 },
];

/** All further runs of a scenario; what they do not come to is left out. */
const OF_FURTHER_RUNS = 8e8;

/** What a build that passes does otherwise when contacts bounce or a line that floats reads as something else. */
export function unsteadiness(scenario: Scenario, trace: Trace, judging: Judging): readonly Observation[] {
  const found = within(OF_FURTHER_RUNS, () => differences(scenario, trace, judging));
  return found.ended ? found.value : [];
}

function differences(scenario: Scenario, trace: Trace, judging: Judging): readonly Observation[] {
  const { run, runWith, circuit, language } = judging;
  // What is left to chance is looked at over many runs already.
  const expectations = scenario.expect.filter((expectation) => !isOfChance(expectation));
  const failing = (chance: Chance, way = run): Outcome | undefined => {
    const observed = observedOn(scenario, way(scenario, chance), judging);
    return expectations
      .map((expectation) => checkExpectation(expectation, observed))
      .find(({ passed }) => !passed);
  };
  const pressed = scenario.stimuli.find(isPress);
  if (pressed)
    for (const bounceSeed of BOUNCE_SEEDS) {
      const outcome = failing({ bounceSeed });
      if (outcome) return [bounces(trace, pressed.press, outcome, circuit), ...outcome.failures];
    }
  const [floating] = trace.floatingReads;
  if (floating)
    for (const chance of FLOATING) {
      const outcome = failing(chance);
      if (outcome) return [floats(floating, outcome, language), ...outcome.failures];
    }
  for (const { part, pin, line } of measuredThrough(trace, circuit))
    for (const factor of [1 - RESISTOR_TOLERANCE, 1 + RESISTOR_TOLERANCE]) {
      const outcome = failing({}, runWith({ owner: part.ref, factor, forwardVolts: 0 }));
      if (outcome) return [spreads(part, factor, pin, line, outcome), ...outcome.failures];
    }
  return [];
}

/** The resistors that stand at pins which a run measures, with where it does. */
function measuredThrough(
  trace: Trace,
  circuit: Circuit,
): readonly { readonly part: PlacedPart; readonly pin: string; readonly line: number }[] {
  const measured = [...trace.reads].filter(([, { how }]) => how === 'analog');
  return measured.flatMap(([pin, { line }]) => {
    const node = circuit.nodeOfPin(pin);
    return node
      ? circuit
          .partsAt(node.id)
          .filter(isResistor)
          .map((part) => ({ part, pin, line }))
      : [];
  });
}

function spreads(
  part: PlacedPart,
  factor: number,
  pin: string,
  line: number,
  { observed }: Outcome,
): Observation {
  const off = `${Math.round(Math.abs(factor - 1) * 100)}\u00a0% ${factor < 1 ? 'smaller' : 'larger'}`;
  return {
    code: 'unsteady',
    severity: 'fault',
    refs: [part.ref],
    line,
    column: 1,
    message: `${capital(partText(part))} may be ${off} than it says; what line ${line} measures at pin ${pin} lies so close to where the program decides that it makes a difference: then ${observed}.`,
    hints: [
      `How exact is the value of ${part.ref}?`,
      `With ${part.ref} ${off}, line ${line} measures something else: ${observed}.`,
      `Move the number that line ${line} is compared with farther away from what is measured.`,
    ],
  };
}

function bounces(trace: Trace, button: string, { observed }: Outcome, circuit: Circuit): Observation {
  // The line that looks at the button: where a pin is read that one of its legs lies on.
  const read = [...trace.reads].find(([pin]) => {
    const node = circuit.nodeOfPin(pin);
    return node && circuit.partsAt(node.id).some(({ ref }) => ref === button);
  });
  const line = read?.[1].line ?? 1;
  return {
    code: 'no-debounce',
    severity: 'fault',
    refs: [button],
    line,
    column: 1,
    message: `A real button bounces for a few milliseconds when it is pressed, and line ${line} takes each bounce for a press: then ${observed}.`,
    hints: [
      `What does a contact do in the first thousandths of a second after it is pressed?`,
      `When ${button} bounces, something else happens: ${observed}.`,
      `After line ${line} has seen a change, wait 20 milliseconds before checking again.`,
    ],
  };
}

function floats(
  { pin, line, how }: Trace['floatingReads'][number],
  { observed }: Outcome,
  language: Language,
): Observation {
  return {
    code: 'unsteady',
    severity: 'fault',
    line,
    column: 1,
    message: `Line ${line} reads pin ${pin} while nothing holds it, so the outcome changes from one time to the next: then ${observed}.`,
    hints: [
      `What does pin ${pin} read while nothing is connected to it?`,
      `Pin ${pin} floats when line ${line} reads it; it may be ${how === 'digital' ? 'high or low' : 'any number'}.`,
      `${wordingOf(language).pullUp(pin)} Or check that its wire goes to what it should read.`,
    ],
  };
}
