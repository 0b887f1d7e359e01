import { sideOf } from '../../breadboards';
import { isSupplySocket, type BoardProfile } from '../../boards';
import type { Ref } from '../../brand';
import { quantity, type Edit, type FindingCode, type Observation, type Repair } from '../../findings/finding';
import { isContact, isPowerSource, kindOf, roleOfLeg } from '../../parts';
import {
  findPart,
  legPoint,
  nameOf,
  type PlacedLeg,
  type PlacedPart,
  type Point,
  type Wiring,
} from '../../wiring/wiring';
import { inPlace, inStrip, legText, legTitle, partText, placeText, stripText } from '../../wiring/words';
import { stripOf } from '../../wiring/netlist';
import { capital, withArticle } from '../../words/words';
import type { Evidence } from './candidate';
import { OF_RAILS, OF_GAPS, OF_JOINTS, say } from './evidence-said';

interface Placed {
  readonly part: PlacedPart;
  readonly leg: PlacedLeg;
}

/** What moving one leg or wire end to where it belongs is evidence of. */
export function evidenceOfMove(
  { part, leg: { leg, at: from } }: Placed,
  to: Point,
  board: BoardProfile,
  wiring: Wiring,
): Evidence {
  const what = legText(part, leg);
  const edit: Edit = { move: `${part.ref}.${leg}`, from: from ? nameOf(from) : '', to: nameOf(to) };
  const repair: Repair = { text: moveText(what, from, to, wiring), edits: [edit] };
  const at = [from ? nameOf(from) : legPoint(part.ref, leg)];
  const holds = kindOf(part.kind).conductor
    ? onlyPartAt(otherEnd({ part, leg: { leg, at: from } }), wiring)
    : undefined;
  const evidence = (codes: readonly FindingCode[], says: () => Observation): Evidence => ({
    codes,
    refs: [part.ref],
    ...(holds === undefined ? {} : { holds }),
    at,
    says,
  });
  const own = (
    code: FindingCode,
    message: string,
    question: string,
    pointer: string,
    figures: Observation['evidence'] = {},
  ): Observation => say(code, [part.ref], at, message, [question, pointer, repair.text], repair, figures);
  if (from && isBypassing(part, leg, from, wiring) && isPowerSource(part))
    return evidence(['supply-short'], () =>
      own(
        'supply-short',
        `Both leads of ${partText(part)} are ${inStrip(from, wiring)}: it is shorted, gets hot, and gives nothing.`,
        `In which rails are the two leads of ${part.ref}?`,
        `Plus and minus of ${part.ref} meet ${inStrip(from, wiring)}.`,
      ),
    );
  if (from && isBypassing(part, leg, from, wiring))
    return evidence(['part-bypassed', 'off-by-one'], () =>
      own(
        'part-bypassed',
        `Both legs of ${partText(part)} are ${inStrip(from, wiring)}, so the current goes past it.`,
        `In which rows are the two legs of ${part.ref}?`,
        `Holes of one row are joined, and both legs of ${part.ref} are ${inStrip(from, wiring)}.`,
      ),
    );
  if (from?.type === 'hole' && to.type === 'hole' && from.ref === to.ref) {
    const isAcross = sideOf(from.column) !== sideOf(to.column);
    const rows = from.row - to.row;
    if (rows === 0 && isAcross)
      return evidence(['gap-not-crossed'], () =>
        own(
          'gap-not-crossed',
          `${capital(what)} is ${inPlace(from, wiring)}, on the other side of the centre gap. Holes a to e of a row are not joined to holes f to j.`,
          `Which holes of a row belong together, and where does the centre gap divide them?`,
          `${capital(what)} is ${inStrip(from, wiring)}; what it should connect to is ${inStrip(to, wiring)}.`,
          { rows: quantity(0, '') },
        ),
      );
    const isOneOff = !isAcross && Math.abs(rows) === 1;
    return evidence(isOneOff ? ['off-by-one'] : [...OF_GAPS, ...OF_JOINTS], () =>
      own(
        isOneOff || partsIn(from, wiring).length > 1 ? 'off-by-one' : 'leg-open',
        isOneOff
          ? `${capital(what)} is ${inPlace(from, wiring)}, one row off. It should be ${inStrip(to, wiring)}.`
          : `${capital(what)} is ${inPlace(from, wiring)}, but belongs ${inStrip(to, wiring)}.`,
        `Follow ${what} with a finger. Which row is it in, and which row should it be in?`,
        `${capital(what)} is ${inStrip(from, wiring)}. Count the rows again.`,
        { rows: quantity(rows, '') },
      ),
    );
  }
  if (from?.type === 'pin' && to.type === 'pin') {
    const areSupplies = [from, to].filter(({ pin }) => isSupplySocket(board, pin)).length;
    return evidence(
      areSupplies === 2
        ? ['voltage-mismatch', ...OF_RAILS, 'headroom']
        : ['wrong-pin', 'pin-lacks-function', 'pin-reserved', 'pin-disagrees', ...OF_RAILS],
      () =>
        own(
          areSupplies === 2 ? 'voltage-mismatch' : 'wrong-pin',
          `${capital(what)} is ${inPlace(from, wiring)}; the exercise asks for ${placeText(to, wiring)}.`,
          `Which socket of the board does the list of connections name for ${part.ref}?`,
          `${capital(what)} is ${inPlace(from, wiring)}, not ${inPlace(to, wiring)}.`,
        ),
    );
  }
  if (from && (from.type === 'rail' || to.type === 'rail' || from.type === 'pin' || to.type === 'pin')) {
    const isWrongRail = from.type === 'rail' && to.type === 'rail';
    // What is to hang on a battery and hangs on the board, or the other way round.
    const isWrongSource = [from, to].every((at) => isPlus(at, board));
    return evidence(isWrongRail ? OF_RAILS : [...OF_RAILS, ...OF_GAPS, ...OF_JOINTS], () =>
      own(
        isWrongRail ? 'rail-unpowered' : isWrongSource ? 'voltage-mismatch' : 'leg-open',
        `${capital(what)} is ${inPlace(from, wiring)}, where it does not meet what it belongs to. It belongs ${inStrip(to, wiring)}.`,
        `Which ${isWrongRail ? 'rail' : 'row or rail'} does the list of connections name for ${what}?`,
        `${capital(what)} is ${inStrip(from, wiring)}, not ${inStrip(to, wiring)}.`,
      ),
    );
  }
  if (from)
    return evidence([...OF_GAPS, ...OF_JOINTS], () =>
      own(
        'leg-open',
        `${capital(what)} is ${inPlace(from, wiring)}, but belongs ${inStrip(to, wiring, from)}.`,
        `Read what is printed beside each pin. Where does ${what} go?`,
        `${capital(what)} is ${inPlace(from, wiring)}, not ${inPlace(to, wiring, from)}.`,
      ),
    );
  return evidence(OF_GAPS, () =>
    own(
      'leg-open',
      `${capital(what)} is not plugged in anywhere. It belongs ${inStrip(to, wiring)}.`,
      `Where does ${what} go?`,
      `${capital(what)} has no hole yet.`,
    ),
  );
}

/** Whether a place is there to give a supply: a socket of the board, or a plus rail. */
const isPlus = (at: Point, board: BoardProfile): boolean =>
  at.type === 'rail'
    ? at.rail.endsWith('+')
    : at.type === 'pin' && board.supplies.some(({ name, role }) => name === at.pin && role === 'supply');

export const moveText = (what: string, from: Point | null, to: Point, wiring: Wiring): string =>
  `Move ${what}${from ? ` from ${placeText(from, wiring)}` : ''} to ${placeText(to, wiring, from ?? undefined)}.`;

/** Whether a leg is in the very row that the part's other leg is in. */
const isBypassing = (part: PlacedPart, leg: PlacedLeg['leg'], from: Point, wiring: Wiring): boolean =>
  !kindOf(part.kind).conductor &&
  part.legs.length === 2 &&
  part.legs.some(
    (other) => other.leg !== leg && other.at && stripText(other.at, wiring) === stripText(from, wiring),
  );

/** The parts whose legs are in the strip of a place, one for each leg. */
function partsIn(place: Point, wiring: Wiring): readonly PlacedPart[] {
  const strip = stripOf(place, wiring);
  return wiring.parts.flatMap((part) =>
    part.legs.flatMap(({ at }) => (at && stripOf(at, wiring) === strip ? [part] : [])),
  );
}

/** The part that a wire's end meets, where it meets one leg only. */
function onlyPartAt(end: PlacedLeg | undefined, wiring: Wiring): Ref | undefined {
  if (end?.at?.type !== 'hole') return undefined;
  const parts = partsIn(end.at, wiring).filter(({ kind }) => !kindOf(kind).conductor);
  return parts.length === 1 ? parts[0]!.ref : undefined;
}

/** What turning a part round, end for end or by a quarter, is evidence of. */
export function evidenceOfTurn(part: PlacedPart, how: 'round' | 'by a quarter', repair: Repair): Evidence {
  const at = part.legs.flatMap((leg) => (leg.at ? [nameOf(leg.at)] : []));
  const kind = kindOf(part.kind);
  const what = partText(part);
  if (isContact(part) && how === 'by a quarter')
    return {
      codes: [
        'button-always-closed',
        'button-never-closes',
        'short-when-pressed',
        'supply-short',
        'pin-short',
      ],
      refs: [part.ref],
      at,
      says: () =>
        say(
          'button-always-closed',
          [part.ref],
          at,
          `${capital(what)} is turned by a quarter: the two legs that you use are joined inside, so it always counts as pressed.`,
          [
            `Which legs of ${part.ref} are joined before anybody presses it?`,
            `${part.ref} is turned by a quarter, so that your wires meet one pair of joined legs.`,
            repair.text,
          ],
          repair,
        ),
    };
  const code: FindingCode = kind.hasNamedLegs
    ? 'module-lines-swapped'
    : isContact(part) || part.legs.some(({ leg }) => roleOfLeg(part, leg) === 'measured')
      ? 'divider-reversed'
      : 'polarity-reversed';
  return {
    codes: [code, 'polarity-reversed', 'rail-swapped', 'supply-short', 'voltage-mismatch'],
    refs: [part.ref],
    at,
    says: () =>
      say(
        code,
        [part.ref],
        at,
        `${capital(what)} is the wrong way round${isContact(part) ? ': it is on where it should be off' : part.legs.length > 2 ? ': its legs are all there, end for end' : ''}.`,
        [
          `How do you tell the legs of ${withArticle(kind.title)} apart, and which leg goes where?`,
          `The legs of ${part.ref} are in each other’s places.`,
          repair.text,
        ],
        repair,
      ),
  };
}

/** What moving a whole part by some rows is evidence of. */
export const evidenceOfShift = (part: PlacedPart, rows: number, repair: Repair): Evidence => {
  const at = part.legs.flatMap((leg) => (leg.at ? [nameOf(leg.at)] : []));
  const off = Math.abs(rows) === 1 ? 'one row' : `${Math.abs(rows)} rows`;
  return {
    codes: ['off-by-one'],
    refs: [part.ref],
    at,
    says: () =>
      say(
        'off-by-one',
        [part.ref],
        at,
        `${capital(partText(part))} is ${off} off with all its legs, so they miss what belongs to them.`,
        [
          `Follow each leg of ${part.ref}. What else is in its row?`,
          `${capital(partText(part))} is ${off} from where its wires are.`,
          repair.text,
        ],
        repair,
        { rows: quantity(-rows, '') },
      ),
  };
};

/** What exchanging two ends is evidence of. */
export function evidenceOfSwap(
  one: Placed,
  two: Placed,
  board: BoardProfile,
  wiring: Wiring,
  repair: Repair,
): Evidence {
  const at = [one, two].flatMap(({ leg }) => (leg.at ? [nameOf(leg.at)] : []));
  const refs = [...new Set([one.part.ref, two.part.ref])];
  const supplies = [one, two].filter(
    ({ leg: { at: place } }) => place?.type === 'pin' && isSupplySocket(board, place.pin),
  ).length;
  const [here, there] = [one.leg.at!, two.leg.at!];
  const areSigns = here.type === 'rail' && there.type === 'rail' && here.rail.at(-1) !== there.rail.at(-1);
  const arePins = [one, two].every(({ leg }) => leg.at?.type === 'pin');
  const module = [one, two].map((end) => moduleOf(end.leg, wiring) ?? moduleOf(otherEnd(end), wiring));
  const isModule = module[0] !== undefined && module[0] === module[1];
  const code: FindingCode = isModule
    ? 'module-lines-swapped'
    : supplies === 2 || areSigns
      ? 'rail-swapped'
      : arePins
        ? 'wrong-pin'
        : 'off-by-one';
  return {
    codes: [
      code,
      ...(supplies > 0 ? OF_RAILS : []),
      ...(isModule || arePins ? (['module-lines-swapped', 'divider-reversed'] as const) : []),
    ],
    refs: isModule ? [module[0]!, ...refs] : refs,
    at,
    says: () =>
      say(
        code,
        isModule ? [module[0]!, ...refs] : refs,
        at,
        `${capital(partText(one.part))} and ${partText(two.part)} are swapped: ${one.part.ref} is ${inPlace(here, wiring)} and belongs ${inPlace(there, wiring)}, and ${two.part.ref} the other way round.`,
        [
          `Follow ${one.part.ref} and ${two.part.ref} from one end to the other. Where does each of them lead, and where should it?`,
          `${one.part.ref} is where ${two.part.ref} should be, and ${two.part.ref} where ${one.part.ref} should be.`,
          repair.text,
        ],
        repair,
      ),
  };
}

/** What exchanging two legs of one part is evidence of. */
export function evidenceOfSwappedLegs(
  part: PlacedPart,
  one: PlacedLeg,
  two: PlacedLeg,
  wiring: Wiring,
  repair: Repair,
): Evidence {
  const at = [one, two].flatMap((leg) => (leg.at ? [nameOf(leg.at)] : []));
  const [first, second] = [one, two].map(({ leg }) => legTitle(part, leg));
  return {
    codes: ['module-lines-swapped'],
    refs: [part.ref],
    at,
    says: () =>
      say(
        'module-lines-swapped',
        [part.ref],
        at,
        `The ${first} and the ${second} of ${partText(part)} are swapped: each is where the other one should be.`,
        [
          `How do you tell the legs of ${withArticle(kindOf(part.kind).title)} apart, and which leg goes where?`,
          `The ${first} of ${part.ref} is ${inPlace(one.at!, wiring)}, and its ${second} ${inPlace(two.at!, wiring)}.`,
          repair.text,
        ],
        repair,
      ),
  };
}

/** The module that an end is fastened to. */
function moduleOf(end: PlacedLeg | undefined, wiring: Wiring): Ref | undefined {
  const at = end?.at;
  const owner = at?.type === 'leg' ? findPart(wiring, at.ref) : undefined;
  return owner && kindOf(owner.kind).hasNamedLegs ? owner.ref : undefined;
}

const otherEnd = ({ part, leg }: Placed): PlacedLeg | undefined =>
  part.legs.find((other) => other.leg !== leg.leg);
