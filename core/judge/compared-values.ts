import { fourBands } from '../electrics/values/bands';
import { quantity, type Observation } from '../findings/finding';
import type { Exercise } from '../formats/exercise';
import { findKind, isContact, isSingleLight, kindOf } from '../parts';
import { milliamps, ohms } from '../units';
import type { Circuit } from '../wiring/circuit';
import type { PlacedPart } from '../wiring/wiring';
import { partText } from '../wiring/words';
import { listText, withArticle } from '../words/words';
import { placesOf } from './places';
import type { Asked, Built, SolvedState } from './subject';

/** Whether a part's amount lies within what the exercise accepts for it. */
export function isAccepted({ accepted }: Exercise, reference: PlacedPart, { value }: PlacedPart): boolean {
  const range = accepted.get(reference.ref);
  return (
    range !== undefined &&
    value.amount !== undefined &&
    value.amount >= range[0] * 0.999 &&
    value.amount <= range[1] * 1.001
  );
}

/** Several resistors that do what one of the exercise does. */
export function inItsPlace(
  { exercise, compared }: Asked,
  reference: PlacedPart,
  part: PlacedPart,
): readonly Observation[] {
  const members = compared.members?.get(part.ref);
  if (!members || !isAccepted(exercise, reference, part)) return [];
  const names = listText(members);
  const what = withArticle(kindOf(reference.kind).describe(reference.value));
  return [
    {
      code: 'part-extra',
      severity: 'advice',
      refs: [...members],
      message: `${names} together are ${ohms(part.value.amount!)}. They stand for the ${kindOf(reference.kind).describe(reference.value)} of the exercise.`,
      hints: [
        `What do ${names} come to together?`,
        `${names} together are ${ohms(part.value.amount!)}; the exercise has ${what}.`,
        `It is fine like this. One ${kindOf(reference.kind).describe(reference.value)} would do the same.`,
      ],
      evidence: { togetherOhms: quantity(part.value.amount!, 'Ω') },
    },
  ];
}

/** A resistor that has another value than the exercise accepts. */
export interface OtherValue {
  readonly reference: PlacedPart;
  readonly part: PlacedPart;
  /** Those that act together as this one; the part alone as a rule. */
  readonly members: readonly string[];
  readonly currentMa: number;
  readonly limitMa: number;
  readonly isOver: boolean;
  /** What it does, behind the current that flows. */
  readonly effect: string;
}

/** What the value of a resistor does; `undefined` when the exercise accepts it. */
export function otherValueOf(
  { states }: Built,
  asked: Asked,
  reference: PlacedPart,
  part: PlacedPart,
): OtherValue | undefined {
  const { exercise, compared } = asked;
  if (isAccepted(exercise, reference, part)) return undefined;
  const [low] = exercise.accepted.get(reference.ref)!;
  const currentMa = largestMa(states, part);
  const led = exercise.reference.parts.find(isSingleLight);
  const limitMa = Math.min(
    exercise.board.drive.recommendedMa,
    (led && findKind(led.kind)?.ratings?.currentMa) ?? Infinity,
  );
  const isOver = currentMa > limitMa;
  const way = part.value.amount! < low ? 'small' : 'large';
  const current = isOver ? 'over' : currentMa < 0.5 ? 'faint' : 'fine';
  return {
    reference,
    part,
    members: compared.members?.get(part.ref) ?? [part.ref],
    currentMa,
    limitMa,
    isOver,
    effect: effectOf(asked.circuit, reference, way, current),
  };
}

/** What is said of resistors with other values: once of those that were taken from the same wrong drawer. */
export function otherValues({ accepted }: Exercise, all: readonly OtherValue[]): readonly Observation[] {
  const alike = new Map<string, OtherValue[]>();
  for (const one of all) {
    const { reference, part, members, isOver, effect } = one;
    const like =
      members.length > 1
        ? part.ref
        : JSON.stringify([
            part.value.amount,
            reference.value.text,
            accepted.get(reference.ref),
            isOver,
            effect,
          ]);
    (alike.get(like) ?? alike.set(like, []).get(like)!).push(one);
  }
  return [...alike.values()].map((group) => told(group, accepted.get(group[0]!.reference.ref)!));
}

/** Largest current through a part over the states, in mA. */
const largestMa = (states: readonly SolvedState[], part: PlacedPart): number =>
  Math.max(0, ...states.map(({ point }) => Math.abs(point.parts.get(part.ref)?.currentMa ?? 0)));

const UNSEEN = ', too little to see the LED light up';

/** What a current is too much for: a part, and the pin it comes from where there is a board. */
function tooMuch({ board }: Circuit, part: string | undefined): string {
  const over = [part, board && 'the pin'].filter((one) => one !== undefined);
  return over.length === 0 ? '' : `, too much for ${over.join(' and ')}`;
}

/** What another value does where a resistor stands in the exercise, behind the current that flows. */
function effectOf(
  asked: Circuit,
  resistor: PlacedPart,
  is: 'small' | 'large',
  current: 'over' | 'faint' | 'fine',
): string {
  const beside = asked.nodesOf(resistor).flatMap((node) => {
    const isCommon = asked.side(node) !== undefined;
    return isCommon ? [] : asked.partsAt(node).filter((part) => part !== resistor);
  });
  const nextTo = (is: (part: PlacedPart) => boolean): PlacedPart | undefined => beside.find(is);
  if (nextTo(({ kind }) => kindOf(kind).observed === 'light')) {
    if (is === 'small')
      return current === 'over' ? tooMuch(asked, 'the LED') : ', brighter than it should be';
    return current === 'faint' ? UNSEEN : ', dimmer than it should be';
  }
  if (current === 'over') return tooMuch(asked, undefined);
  const sensor = nextTo(({ kind }) => kindOf(kind).resistance === 'sensed');
  if (sensor) return `, and with ${partText(sensor)} it gives other readings than the program expects`;
  const contact = nextTo((part) => isContact(part));
  if (contact)
    return is === 'small'
      ? `, more than it takes to hold the pin`
      : `, so it holds the pin more weakly while ${contact.ref} is open`;
  return '';
}

function told(
  group: readonly OtherValue[],
  [low, high]: readonly [lowest: number, highest: number],
): Observation {
  const [{ reference, part, isOver, effect, limitMa, members }] = group as [OtherValue];
  const amount = part.value.amount!;
  const wantedOhms = ohms(reference.value.amount!);
  const areTogether = members.length > 1;
  const refs = areTogether ? members : group.map((one) => one.part.ref);
  const isOne = refs.length === 1;
  const names = listText(refs);
  const wanted = low === high ? ohms(low) : `${ohms(low)} to ${ohms(high)}`;
  const currentMa = Math.max(...group.map((one) => one.currentMa));
  const bands = `${fourBands(amount).slice(0, 3).join(', ')}; ${wantedOhms} has ${fourBands(reference.value.amount!).slice(0, 3).join(', ')}`;
  const [are, flows] = areTogether
    ? [`together are ${ohms(amount)}; it`, `${milliamps(currentMa)} flows`]
    : isOne
      ? [`is ${ohms(amount)}; it`, `${milliamps(currentMa)} flows`]
      : [`are ${ohms(amount)}; they`, `Up to ${milliamps(currentMa)} flows through each of them`];
  return {
    code: 'resistor-value',
    // An LED that nobody can see is dead, though no scenario may watch it.
    severity: isOver || effect === UNSEEN ? 'risk' : 'fault',
    refs: [...refs],
    at: group.flatMap((one) => placesOf(one.part)),
    message: `${names} ${are} should be ${wanted}. ${flows}${effect}.`,
    hints: [
      `Read the colour bands of ${names}. What ${areTogether ? 'do they come to together' : isOne ? 'value do they give' : 'value do they all give'}?`,
      areTogether
        ? `${names} together are ${ohms(amount)}; ${wantedOhms} is asked for.`
        : `${names} ${isOne ? 'is' : 'are'} recorded as ${ohms(amount)}: ${bands}.`,
      isOne || areTogether
        ? `Use ${withArticle(`${wantedOhms} resistor`)} ${isOne ? 'for' : 'instead of'} ${names}.`
        : `Use ${wantedOhms} resistors for ${names}.`,
    ],
    evidence: {
      foundOhms: quantity(amount, 'Ω'),
      lowestOhms: quantity(low, 'Ω'),
      highestOhms: quantity(high, 'Ω'),
      currentMa: quantity(currentMa, 'mA'),
      limitMa: quantity(limitMa, 'mA'),
    },
    ...(areTogether
      ? {}
      : {
          repair: {
            text: `Use ${wantedOhms} for ${names}.`,
            edits: refs.map((ref) => ({ value: ref, to: reference.value.text })),
          },
        }),
  };
}
