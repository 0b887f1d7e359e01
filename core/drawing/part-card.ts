import { ref } from '../brand';
import { breadboards } from '../breadboards';
import { kindOf } from '../parts';
import { DEFAULT_RULES, place } from '../plan/placement';
import { drawBench } from './bench';
import { closeUp } from './close-up';
import type { Drawing } from './list';

/** Values of which each kind takes at least one. */
const samples = ['', 'amber', '330', 'active', 'common-cathode', '100n', '470u', '4x1.5V', '5V'];

/**
 * One part of a kind by itself in a breadboard, from near, of a value or a usual one; `undefined` when it has no place.
 * `called`: its name, where it is a certain one.
 */
export function drawPartAlone(kindName: string, text?: string, called?: string): Drawing | undefined {
  const kind = kindOf(kindName);
  const value = [...(text === undefined ? [] : [text]), ...samples]
    .map((text) => kind.readValue(text))
    .find((read) => read.ok);
  const model = breadboards.get('mini');
  if (!value?.ok || !model) return undefined;
  const name = called ?? `${kind.prefix}1`;
  const placed = place({
    breadboards: [{ ref: ref('B1'), model }],
    parts: [{ ref: ref(name), kind: kind.kind, value: value.value }],
    nets: [],
    rules: DEFAULT_RULES,
  });
  if (!placed.ok) return undefined;
  const whole = drawBench(placed.value.wiring, { crop: 'used' });
  return closeUp(whole, new Set([name])) ?? whole;
}
