import type { LegName } from '../brand';
import type { Circuit } from '../wiring/circuit';
import { nameOf, type PlacedPart } from '../wiring/wiring';

/** Names of the places where a part's legs are, or where some of them are; none for legs that hang free. */
export const placesOf = (part: PlacedPart, legs?: readonly LegName[]): string[] =>
  part.legs.flatMap(({ leg, at }) => (at && (!legs || legs.includes(leg)) ? [nameOf(at)] : []));

/** Names of board sockets as places; none when the wiring has no board. */
export const socketsOf = ({ wiring: { board } }: Circuit, ...pins: readonly string[]): string[] =>
  board ? pins.map((pin) => `${board.ref}.${pin}`) : [];
