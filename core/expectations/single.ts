import * as z from 'zod';
import { alike } from './alike';
import { angle } from './angle';
import { beats } from './beats';
import { brightness } from './brightness';
import { chirps } from './chirps';
import { colour } from './colour';
import type { ExpectationDefinition } from './definition';
import { digit } from './digit';
import { display } from './display';
import { flashes } from './flashes';
import { flickers } from './flickers';
import { follows } from './follows';
import { litAmong } from './lit-among';
import { neverTogether } from './never-together';
import { order } from './order';
import { picture } from './picture';
import { pinLevel } from './pin-level';
import { presence } from './presence';
import { printedInTurn } from './printed-in-turn';
import { printedNumber } from './printed-number';
import { printedOften } from './printed-often';
import { pulled } from './pulled';
import { response } from './response';
import { rhythm } from './rhythm';
import { serial } from './serial';
import { signals } from './signals';
import { falls, rises } from './slope';
import { sound, tone } from './sound';
import { steady } from './steady';
import { sweep } from './sweep';
import { turning } from './turning';
import { watched } from './watched';

/**
 * Every sort of expectation that leaves nothing to chance. The first that has something to say of an LED says it, and
 * claims about a run come in this order.
 */
export const singleDefinitions = [
  steady,
  brightness,
  rhythm,
  flickers,
  flashes,
  rises,
  falls,
  colour,
  response,
  neverTogether,
  litAmong,
  alike,
  order,
  tone,
  sound,
  beats,
  chirps,
  signals,
  sweep,
  angle,
  turning,
  pulled,
  digit,
  display,
  picture,
  serial,
  printedInTurn,
  printedOften,
  printedNumber,
  pinLevel,
  presence,
  watched,
  follows,
] as const;

export const singleSchema = z.union(singleDefinitions.map(({ schema }) => schema));
/** What a person must see, hear or read, without those that leave it to chance. */
export type SingleExpectation = Readonly<z.infer<typeof singleSchema>>;

/** The definitions as of any expectation: each is given its own sort alone, which its keys tell. */
export const anySingle = singleDefinitions as unknown as readonly ExpectationDefinition<SingleExpectation>[];

/** What is known of the sort that an expectation is. */
export function singleDefinitionOf(expectation: SingleExpectation): ExpectationDefinition<SingleExpectation> {
  const found = anySingle.find(({ keys }) => keys.every((key) => key in expectation));
  if (!found) throw new Error('no such expectation');
  return found;
}
