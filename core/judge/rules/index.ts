import { effort } from '../../effort';
import type { Observation } from '../../findings/finding';
import { ledCurrents } from '../bands';
import { comparedParts, comparedPins } from '../compare';
import { comparedLegs, missingPulls, sharedPins } from '../compare-legs';
import { conventions } from '../conventions';
import {
  beyondPins,
  directionUnset,
  interruptTrouble,
  missedInput,
  missingPause,
  negativePause,
  programProblems,
  pullupUnset,
  readOnce,
  runtimeTrouble,
} from '../program';
import { singleSlip } from '../slips';
import {
  beforeAnyRun,
  onBuiltRuns,
  onComparison,
  onMeeting,
  onProgram,
  onRuns,
  onWiring,
  type Rule,
  type Subject,
} from '../subject';
import { actuatorFromPin, inductiveNoDiode, supplySag } from './actuators';
import { buttonAlwaysClosed, buttonNeverCloses } from './buttons';
import { batteryReversed, noCommonGround, railSwapped } from './grounds';
import { inputFloating, pinLacksFunction, pullWrongWay } from './inputs';
import { headroom, noSeriesResistor, pinOvercurrent, sharedResistor } from './leds';
import { leadsMayTouch, wireColour } from './looks';
import { legOpen, noReturn, partBypassed, boardUnpowered, railUnpowered } from './open';
import { portOvercurrent, supplyOvercurrent } from './overload';
import { opposedPull } from './opposed-pulls';
import { moduleUnfed } from './module-feed';
import { pinReserved } from './pins';
import { polarityReversed } from './polarity';
import { pinShort, shortWhenPressed, supplyShort } from './short';
import { voltageMismatch } from './volts';

/** Everything that is looked for. Rules are independent of each other, and none is for one exercise. */
const rules: readonly Rule[] = [
  ...beforeAnyRun(singleSlip),
  ...onWiring(
    partBypassed,
    polarityReversed,
    batteryReversed,
    legOpen,
    noReturn,
    railUnpowered,
    moduleUnfed,
    boardUnpowered,
    railSwapped,
    supplyShort,
    shortWhenPressed,
    pinShort,
    sharedResistor,
    headroom,
    noSeriesResistor,
    pinLacksFunction,
    pinReserved,
    buttonAlwaysClosed,
    buttonNeverCloses,
    inputFloating,
    pullWrongWay,
    pinOvercurrent,
    portOvercurrent,
    supplyOvercurrent,
    voltageMismatch,
    noCommonGround,
    actuatorFromPin,
    supplySag,
    inductiveNoDiode,
    leadsMayTouch,
  ),
  ({ built, asked }) => (built ? wireColour(built, asked?.exercise.data.rules['redWires']) : []),
  ...onComparison(comparedParts),
  ...onMeeting(comparedPins),
  ...onComparison(comparedLegs, sharedPins, missingPulls, conventions, ledCurrents),
  ...onProgram(programProblems),
  ...onRuns(directionUnset, runtimeTrouble),
  ...onBuiltRuns(missingPause),
  ...onRuns(negativePause),
  ...onBuiltRuns(pullupUnset, opposedPull, readOnce, missedInput),
  ...onRuns(interruptTrouble, beyondPins),
];

/** What the rules take for each state and each part or node. */
const EFFORT_OF_A_STATE = 3000;
/** What looking at a program's pins takes for each of their changes. */
const EFFORT_OF_A_CHANGE = 1000;

/** What the rules say of a subject, each thing once. */
export function observationsOn(subject: Subject): readonly Observation[] {
  const { built, ran } = subject;
  if (built)
    effort(
      built.states.length * (built.circuit.parts.length + built.circuit.nodes.length) * EFFORT_OF_A_STATE,
    );
  for (const { trace } of ran?.runs ?? [])
    effort([...trace.pins.values()].reduce((sum, changes) => sum + changes.length, 0) * EFFORT_OF_A_CHANGE);
  const { condoned } = subject.asked ?? {};
  return onceEach(rules.flatMap((rule) => rule(subject))).filter(({ code }) => !condoned?.has(code));
}

/** Observations without those that say again what another has said. */
export const onceEach = (all: readonly Observation[]): readonly Observation[] =>
  all.filter(
    (one, index) =>
      all.findIndex((other) => other.code === one.code && other.message === one.message) === index,
  );
