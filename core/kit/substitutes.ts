import { fourBands } from '../electrics/values/bands';
import { exerciseOf, type Exercise } from '../formats/exercise';
import { hasPassed, type Verdict } from '../formats/report';
import { rowOf } from '../findings/table';
import { buildFor } from '../judge/build';
import { check } from '../judge/check';
import { isResistor, kindOf } from '../parts';
import { worksheetFigures } from '../plan/worksheet';
import type { Grammars } from '../program';
import { readWiring } from '../wiring/read';
import { writeTable } from '../wiring/table';
import type { PlacedPart, Wiring } from '../wiring/wiring';
import { boardsOf } from '../formats/exercise';
import { withArticle } from '../words/words';
import { keyOf, titleOf, type KitItem } from './item';
import { needsOf } from './needs';
import type { StockLine } from './stock';

/** What becomes of one LED with a substitute. */
export interface ChangedLight {
  readonly ref: string;
  readonly title: string;
  readonly currentMa: readonly [before: number, after: number];
  /** As the eye sees it, 0 to 1. */
  readonly brightness: readonly [before: number, after: number];
}

/** Something that does for what is short, and that the exercise's own check has passed with it. */
export interface Substitute {
  readonly item: KitItem;
  readonly available: number;
  readonly verdict: Verdict;
  /** What the check mentions of it all the same, in titles. */
  readonly mentions: readonly string[];
  readonly lights: readonly ChangedLight[];
  /** What is printed differently: `R1: orange, orange, brown, gold becomes red, red, brown, gold`. */
  readonly print: readonly string[];
}

/** What was tried for an item that is short. */
export interface Substitution {
  readonly found: readonly Substitute[];
  /** What is in the store and does not do, with the reason. */
  readonly refused: readonly { readonly item: KitItem; readonly why: string }[];
}

/** Candidates of which each takes a check of the exercise. */
const MOST_TRIED = 6;

/**
 * What of the store can stand in for an item of which `missing` are short, nearest first. Each one is put into the
 * exercise's own build and checked: only what passes is offered.
 */
export function substitutesFor(
  exercise: Exercise,
  item: KitItem,
  stock: readonly StockLine[],
  missing: number,
  grammars: Grammars,
): Substitution {
  const refs = new Set(needsOf(exercise).find((need) => keyOf(need.item) === keyOf(item))?.refs ?? []);
  const found: Substitute[] = [];
  const refused: { item: KitItem; why: string }[] = [];
  const candidates = stock
    .filter(
      ({ item: other, count }) =>
        other.kind === item.kind && keyOf(other) !== keyOf(item) && count >= missing,
    )
    .filter(({ item: other }) => isLongEnough(other, item))
    .sort((one, other) => farness(one.item, item) - farness(other.item, item))
    .slice(0, MOST_TRIED);
  if (refs.size === 0 || candidates.length === 0) return { found, refused };
  for (const { item: other, count } of candidates) {
    const wiring = withValue(exercise, refs, other);
    if (!wiring) continue;
    const report = check(exercise, buildFor(exercise, wiring, exercise.data.program, grammars), grammars);
    if (hasPassed(report.verdict))
      found.push({
        item: other,
        available: count,
        verdict: report.verdict,
        mentions: [...new Set(report.findings.map(({ code }) => rowOf(code).title))],
        lights: changedLights(exercise, wiring),
        print: printedChanges(exercise.reference, refs, other),
      });
    else
      refused.push({
        item: other,
        why: report.findings.find(({ cause }) => cause)?.message ?? 'It does not pass.',
      });
  }
  return { found, refused };
}

/** A wire must reach; of anything else the length says nothing. */
const isLongEnough = (other: KitItem, item: KitItem): boolean =>
  item.lengthMm === undefined || (other.lengthMm ?? 0) >= item.lengthMm;

/** How far two sorts are apart: by the ratio of their amounts, or by length, the same colour first. */
function farness(one: KitItem, other: KitItem): number {
  if (one.lengthMm !== undefined && other.lengthMm !== undefined)
    return (one.value === other.value ? 0 : 1e6) + one.lengthMm - other.lengthMm;
  const [a, b] = [one, other].map(({ kind, value }) => {
    const read = kindOf(kind).readValue(value);
    return read.ok ? read.value.amount : undefined;
  });
  return a === undefined || b === undefined || a <= 0 || b <= 0 ? 1e3 : Math.abs(Math.log(a / b));
}

/** The exercise's own build with other parts for some; `undefined` where no such part can be. */
function withValue(
  { reference, data }: Exercise,
  refs: ReadonlySet<string>,
  item: KitItem,
): Wiring | undefined {
  if (item.kind === 'board' || item.kind === 'breadboard') return otherSheets(reference, data, refs, item);
  const read = kindOf(item.kind).readValue(item.value);
  if (!read.ok) return undefined;
  return {
    ...reference,
    parts: reference.parts.map((part): PlacedPart =>
      refs.has(part.ref) ? { ...part, value: read.value } : part,
    ),
  };
}

/** The same holes and pins on another board or breadboard, where it has them. */
function otherSheets(
  reference: Wiring,
  data: Exercise['data'],
  refs: ReadonlySet<string>,
  { kind, value }: KitItem,
): Wiring | undefined {
  const rows = writeTable(reference)
    .split('\n')
    .map((row) => {
      const [ref, its] = row.split(',');
      return refs.has(ref!) && its === kind ? `${ref},${kind},${value},,` : row;
    });
  const read = readWiring(rows.join('\n'), { boards: boardsOf(data) });
  return read.ok ? read.value : undefined;
}

function changedLights(exercise: Exercise, wiring: Wiring): readonly ChangedLight[] {
  const changed = exerciseOf(exercise.data, wiring);
  if (!changed.ok) return [];
  const before = worksheetFigures(exercise, 'without worst cases').leds;
  const after = new Map(
    worksheetFigures(changed.value, 'without worst cases').leds.map((led) => [led.ref, led]),
  );
  return before.flatMap(({ ref, title, currentMa, brightness }): readonly ChangedLight[] => {
    const now = after.get(ref);
    if (!now || Math.abs(now.currentMa - currentMa) < 0.005) return [];
    return [{ ref, title, currentMa: [currentMa, now.currentMa], brightness: [brightness, now.brightness] }];
  });
}

function printedChanges(reference: Wiring, refs: ReadonlySet<string>, item: KitItem): readonly string[] {
  const [first] = reference.parts.filter((part) => refs.has(part.ref));
  const names = [...refs].join(', ');
  const is = refs.size === 1 ? 'becomes' : 'become';
  const what = refs.size === 1 ? withArticle(titleOf(item)) : titleOf(item);
  const bands = (ohms: number): string => fourBands(ohms).join(', ');
  const amount = first && isResistor(first) ? kindOf(item.kind).readValue(item.value) : undefined;
  if (first?.value.amount !== undefined && amount?.ok && amount.value.amount !== undefined)
    return [
      `${names} ${is} ${what}`,
      `its bands are ${bands(amount.value.amount)} instead of ${bands(first.value.amount)}`,
    ];
  return [`${names} ${is} ${what}`];
}
