import { findPin, findSupply } from '../boards';
import { legName, ref, type Ref } from '../brand';
import { columns, rails, type Breadboard, type Column, type Rail } from '../breadboards';
import { kindOf } from '../parts';
import { fail, ok, type Result } from '../result';
import type { Point, Wiring } from './wiring';
import { withArticle } from '../words/words';

/** What a point can refer to: the board, the breadboards, and the other parts by ref and kind. */
export interface Surroundings {
  readonly board?: Wiring['board'];
  readonly breadboards: Wiring['breadboards'];
  readonly kindByRef: ReadonlyMap<Ref, string>;
}

export const surroundingsOf = (wiring: Wiring): Surroundings => ({
  board: wiring.board,
  breadboards: wiring.breadboards,
  kindByRef: new Map(wiring.parts.map((part) => [part.ref, part.kind])),
});

/**
 * Reads a place as people write it: `B1.e5`, `e5`, `a-6`, `U1.13`, `13`, `GND`, `D1.anode`. Case and
 * spaces do not matter. A bare `a5` is a hole when there is a breadboard, since the analog pin can be
 * written `U1.A5`.
 */
export function readPoint(typed: string, around: Surroundings): Result<Point> {
  const text = typed.replace(/\s+/g, '').replace(/[−–]/g, '-').toUpperCase();
  const dot = text.indexOf('.');
  if (dot < 0) return readBarePoint(text, typed, around);
  const owner = ref(text.slice(0, dot));
  const place = text.slice(dot + 1);
  if (around.board?.ref === owner) return readPin(place, typed, around);
  const breadboard = around.breadboards.find((board) => board.ref === owner);
  if (breadboard) return readHole(place, typed, breadboard);
  const kindName = around.kindByRef.get(owner);
  if (kindName === undefined)
    return fail({ message: `“${typed.trim()}” names ${owner}, which is not in the table`, typed });
  const leg = legName(place.toLowerCase());
  const kind = kindOf(kindName);
  if (!kind.legs.some((known) => known.name === leg))
    return fail({
      message: `“${typed.trim()}”: ${withArticle(kind.title)} has the legs ${kind.legs.map((known) => known.name).join(', ')}`,
      typed,
    });
  return ok({ type: 'leg', ref: owner, leg });
}

function readBarePoint(text: string, typed: string, around: Surroundings): Result<Point> {
  const [first, ...others] = around.breadboards;
  if (/^[A-J][+-]?\d+$/.test(text) && first) {
    if (others.length > 0)
      return fail({
        message: `“${typed.trim()}”: say on which breadboard, such as ${first.ref}.${text.toLowerCase()}`,
        typed,
      });
    return readHole(text, typed, first);
  }
  if (around.board && (findPin(around.board.profile, text) || findSupply(around.board.profile, text)))
    return readPin(text, typed, around);
  return fail({
    message: `“${typed.trim()}” is no hole, pin or leg; write it like e5, a-6, U1.13 or D1.anode`,
    typed,
  });
}

function readPin(place: string, typed: string, around: Surroundings): Result<Point> {
  const { ref: owner, profile } = around.board!;
  const socket = findPin(profile, place) ?? findSupply(profile, place);
  if (!socket) return fail({ message: `“${typed.trim()}”: the ${profile.short} has no pin ${place}`, typed });
  return ok({ type: 'pin', ref: owner, pin: socket.name });
}

function readHole(
  place: string,
  typed: string,
  { ref: owner, model }: { readonly ref: Ref; readonly model: Breadboard },
): Result<Point> {
  const match = /^([A-Z])([+-]?)(\d{1,4})$/.exec(place);
  if (!match)
    return fail({
      message: `“${typed.trim()}” is no hole; write a column and a row like e5, or a rail like a-6`,
      typed,
    });
  const letter = match[1]!.toLowerCase();
  const sign = match[2]!;
  const row = Number(match[3]);
  if (row < 1 || row > model.rows)
    return fail({ message: `“${typed.trim()}”: the ${model.title} has rows 1 to ${model.rows}`, typed });
  if (sign !== '') {
    const rail = `${letter}${sign}`;
    if (!model.hasRails || !(rails as readonly string[]).includes(rail))
      return fail({
        message: model.hasRails
          ? `“${typed.trim()}”: the rails are ${rails.join(', ')}`
          : `“${typed.trim()}”: the ${model.title} has no rails`,
        typed,
      });
    return ok({ type: 'rail', ref: owner, rail: rail as Rail, row });
  }
  if (!(columns as readonly string[]).includes(letter))
    return fail({ message: `“${typed.trim()}”: the columns are a to e and f to j`, typed });
  return ok({ type: 'hole', ref: owner, column: letter as Column, row });
}
