import { findPin, type BoardProfile } from '@/core/boards';
import type { DraftPart } from '@/core/messages/bench-draft';
import { kindOf } from '@/core/parts';
import { listText } from '@/core/words/words';

/** Equal parts that go on as the two before them began. */
export interface Series {
  /** The parts with their places, in the order of the list. */
  readonly parts: readonly DraftPart[];
  /** Where the first of them has its legs, in words: `a5 and e5`. */
  readonly first: string;
  /** Where the last of them has its legs. */
  readonly last: string;
}

/** Where parts can be: on a board, in a breadboard of so many rows. */
interface Room {
  readonly board: BoardProfile;
  readonly rows: number;
}

/**
 * How the parts from `ref` on can go on, when two before them stand in the same way a step apart: the third of ten
 * resistors a row on, the next signal wire from the next pin. Wires go on from those of their colour, and from those
 * just before them, whatever their colours. As many parts as have none of their ends said yet, and as there is room
 * for; none when there is no such step, or not even `ref` has room.
 */
export function seriesFrom(parts: readonly DraftPart[], ref: string, room: Room): readonly Series[] {
  const start = parts.find((part) => part.ref === ref);
  if (!start || !isEmpty(start)) return [];
  const ofKind = parts.filter(({ kind }) => kind === start.kind);
  const ofColour = ofKind.filter(({ value }) => value === start.value);
  const found = (kindOf(start.kind).conductor ? [ofColour, ofKind] : [ofKind]).flatMap(
    (alike) => seriesOf(alike, start, parts, room) ?? [],
  );
  return found.filter((one, index) => found.findIndex(({ first }) => first === one.first) === index);
}

function seriesOf(
  alike: readonly DraftPart[],
  start: DraftPart,
  parts: readonly DraftPart[],
  room: Room,
): Series | undefined {
  const at = alike.indexOf(start);
  const [one, two] = [alike[at - 2], alike[at - 1]];
  if (!one || !two) return undefined;
  const legs = kindOf(start.kind).legs.map(({ name }) => name as string);
  const steps = legs.map((leg) => stepBetween(placeIn(one.at[leg]), placeIn(two.at[leg])));
  if (steps.some((step) => step === undefined) || steps.every((step) => step === 0)) return undefined;
  const taken = new Set(parts.flatMap((part) => Object.values(part.at).map((place) => place.trim())));
  const made: DraftPart[] = [];
  for (const [index, part] of alike.slice(at).entries()) {
    if (!isEmpty(part)) break;
    const places = legs.map((leg, number) => onward(placeIn(two.at[leg])!, steps[number]! * (index + 1)));
    if (!places.every((place) => hasRoom(place, room, parts) && !taken.has(textOf(place)))) break;
    made.push({
      ...part,
      at: Object.fromEntries(legs.map((leg, number) => [leg, textOf(places[number]!)])),
    });
  }
  const [first, last] = [made[0], made.at(-1)];
  if (!first || !last) return undefined;
  const said = ({ at: places }: DraftPart): string => listText(legs.map((leg) => inWords(places[leg]!)));
  return { parts: made, first: said(first), last: said(last) };
}

/** A place as it is said: a bare number is a pin. */
const inWords = (place: string): string => (/^\d+$/.test(place) ? `pin ${place}` : place);

const isEmpty = ({ at }: DraftPart): boolean => Object.values(at).every((place) => place.trim() === '');

/** A place by its number: hole `e5`, rail hole `a-5`, pin `13` or `A0`, a leg of another part, `M1.plus`. */
interface Place {
  readonly where: string;
  readonly number: number;
  /** The leg, where it is one. */
  readonly leg: string;
}

function placeIn(text: string | undefined): Place | undefined {
  const found = /^([A-Za-z]*[+-]?)(\d+)((?:\.\w+)?)$/.exec(text?.trim() ?? '');
  return found ? { where: found[1]!, number: Number(found[2]), leg: found[3]! } : undefined;
}

const textOf = ({ where, number, leg }: Place): string => `${where}${number}${leg}`;

const stepBetween = (one: Place | undefined, two: Place | undefined): number | undefined =>
  one && two && one.where === two.where && one.leg === two.leg ? two.number - one.number : undefined;

const onward = (place: Place, by: number): Place => ({ ...place, number: place.number + by });

function hasRoom(place: Place, { board, rows }: Room, parts: readonly DraftPart[]): boolean {
  if (place.leg !== '') return parts.some(({ ref }) => ref === `${place.where}${place.number}`);
  if (/^[a-j][+-]?$/.test(place.where)) return place.number >= 1 && place.number <= rows;
  const pin = findPin(board, textOf(place));
  // Nobody counts on into pins that are better left free.
  return pin !== undefined && pin.reserved === undefined;
}
