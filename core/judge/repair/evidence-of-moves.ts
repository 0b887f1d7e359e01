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
import { legText, partText, placeText, stripText } from '../../wiring/words';
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
): Evidence {
  const what = legText(part, leg);
  const edit: Edit = { move: `${part.ref}.${leg}`, from: from ? nameOf(from) : '', to: nameOf(to) };
  const repair: Repair = { text: moveText(what, from, to), edits: [edit] };
  const at = [from ? nameOf(from) : legPoint(part.ref, leg)];
  const evidence = (codes: readonly FindingCode[], says: () => Observation): Evidence => ({
    codes,
    refs: [part.ref],
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
  if (from && isBypassing(part, leg, from) && isPowerSource(part))
    return evidence(['supply-short'], () =>
      own(
        'supply-short',
        `Both leads of ${partText(part)} are in ${stripText(from)}: it is shorted, gets hot, and gives nothing.`,
        `In which rails are the two leads of ${part.ref}?`,
        `Plus and minus of ${part.ref} meet in ${stripText(from)}.`,
      ),
    );
  if (from && isBypassing(part, leg, from))
    return evidence(['part-bypassed', 'off-by-one'], () =>
      own(
        'part-bypassed',
        `Both legs of ${partText(part)} are in ${stripText(from)}, so the current goes past it.`,
        `In which rows are the two legs of ${part.ref}?`,
        `Holes of one row are joined, and both legs of ${part.ref} are in ${stripText(from)}.`,
      ),
    );
  if (from?.type === 'hole' && to.type === 'hole' && from.ref === to.ref) {
    const isAcross = sideOf(from.column) !== sideOf(to.column);
    const rows = from.row - to.row;
    if (rows === 0 && isAcross)
      return evidence(['gap-not-crossed'], () =>
        own(
          'gap-not-crossed',
          `${capital(what)} is in ${placeText(from)}, on the other side of the centre gap. Holes a to e of a row are not joined to holes f to j.`,
          `Which holes of a row belong together, and where does the centre gap divide them?`,
          `${capital(what)} is in ${stripText(from)}; what it should connect to is in ${stripText(to)}.`,
          { rows: quantity(0, '') },
        ),
      );
    const isOneOff = !isAcross && Math.abs(rows) === 1;
    return evidence(isOneOff ? ['off-by-one'] : [...OF_GAPS, ...OF_JOINTS], () =>
      own(
        isOneOff ? 'off-by-one' : 'leg-open',
        isOneOff
          ? `${capital(what)} is in ${placeText(from)}, one row off. It should be in ${stripText(to)}.`
          : `${capital(what)} is in ${placeText(from)}, but belongs in ${stripText(to)}.`,
        `Follow ${what} with a finger. Which row is it in, and which row should it be in?`,
        `${capital(what)} is in ${stripText(from)}. Count the rows again.`,
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
          `${capital(what)} is in ${placeText(from)}; the exercise asks for ${placeText(to)}.`,
          `Which socket of the board does the list of connections name for ${part.ref}?`,
          `${capital(what)} is in ${placeText(from)}, not in ${placeText(to)}.`,
        ),
    );
  }
  if (from && (from.type === 'rail' || to.type === 'rail' || from.type === 'pin' || to.type === 'pin')) {
    const isWrongRail = from.type === 'rail' && to.type === 'rail';
    return evidence(isWrongRail ? OF_RAILS : [...OF_RAILS, ...OF_GAPS, ...OF_JOINTS], () =>
      own(
        isWrongRail ? 'rail-unpowered' : 'leg-open',
        `${capital(what)} is in ${placeText(from)}, where it does not meet what it belongs to. It belongs in ${stripText(to)}.`,
        `Which ${isWrongRail ? 'rail' : 'row or rail'} does the list of connections name for ${what}?`,
        `${capital(what)} is in ${stripText(from)}, not in ${stripText(to)}.`,
      ),
    );
  }
  return evidence(OF_GAPS, () =>
    own(
      'leg-open',
      `${capital(what)} is not plugged in anywhere. It belongs in ${stripText(to)}.`,
      `Where does ${what} go?`,
      `${capital(what)} has no hole yet.`,
    ),
  );
}

export const moveText = (what: string, from: Point | null, to: Point): string =>
  `Move ${what}${from ? ` from ${placeText(from)}` : ''} to ${placeText(to)}.`;

/** Whether a leg is in the very row that the part's other leg is in. */
const isBypassing = (part: PlacedPart, leg: PlacedLeg['leg'], from: Point): boolean =>
  !kindOf(part.kind).conductor &&
  part.legs.length === 2 &&
  part.legs.some((other) => other.leg !== leg && other.at && stripText(other.at) === stripText(from));

/** What turning a part round, end for end or by a quarter, is evidence of. */
export function evidenceOfTurn(part: PlacedPart, how: 'round' | 'by a quarter', repair: Repair): Evidence {
  const at = part.legs.flatMap((leg) => (leg.at ? [nameOf(leg.at)] : []));
  const kind = kindOf(part.kind);
  const what = partText(part);
  if (isContact(part))
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
    : part.legs.some(({ leg }) => roleOfLeg(part, leg) === 'measured')
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
        `${capital(what)} is the wrong way round${how === 'round' && part.legs.length > 2 ? ': its legs are all there, end for end' : ''}.`,
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
  const arePins = [one, two].every(({ leg }) => leg.at?.type === 'pin');
  const module = [one, two].map((end) => moduleOf(end, wiring));
  const isModule = module[0] !== undefined && module[0] === module[1];
  const [here, there] = [one.leg.at!, two.leg.at!];
  const code: FindingCode = isModule
    ? 'module-lines-swapped'
    : supplies === 2
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
        `${capital(partText(one.part))} and ${partText(two.part)} are swapped: ${one.part.ref} is in ${placeText(here)} and belongs in ${placeText(there)}, and ${two.part.ref} the other way round.`,
        [
          `Follow ${one.part.ref} and ${two.part.ref} from one end to the other. Where does each of them lead, and where should it?`,
          `${one.part.ref} is where ${two.part.ref} should be, and ${two.part.ref} where ${one.part.ref} should be.`,
          repair.text,
        ],
        repair,
      ),
  };
}

/** The module that a wire's other end is fastened to. */
const moduleOf = ({ part, leg }: Placed, wiring: Wiring): Ref | undefined =>
  part.legs.flatMap((other) => {
    if (other.leg === leg.leg || other.at?.type !== 'leg') return [];
    const owner = findPart(wiring, other.at.ref);
    return owner && kindOf(owner.kind).hasNamedLegs ? [owner.ref] : [];
  })[0];
