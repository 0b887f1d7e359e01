import { ref } from '../brand';
import { breadboards } from '../breadboards';
import { kindOf } from '../parts';
import { DEFAULT_RULES, place } from '../plan/placement';
import { drawBench } from './bench';
import type { Drawing } from './list';

/** Values of which each kind takes at least one. */
const samples = ['', 'amber', '330', 'active', 'common-cathode', '100n', '470u', '4x1.5V', '5V'];

/** One part of a kind by itself on a breadboard, as it looks there; `undefined` when it has no place. */
export function drawPartAlone(kindName: string): Drawing | undefined {
  const kind = kindOf(kindName);
  const value = samples.map((text) => kind.readValue(text)).find((read) => read.ok);
  const model = breadboards.get('mini');
  if (!value?.ok || !model) return undefined;
  const placed = place({
    breadboards: [{ ref: ref('B1'), model }],
    parts: [{ ref: ref(`${kind.prefix}1`), kind: kind.kind, value: value.value }],
    nets: [],
    rules: DEFAULT_RULES,
  });
  return placed.ok ? drawBench(placed.value.wiring, { crop: 'used' }) : undefined;
}
