import { describe, expect, test } from 'vitest';
import type { Network, Element } from './network';
import { islandsOf } from './floating';
import { fitJunction } from './junction';

const source = (from: number, to: number): Element => ({ type: 'source', from, to, volts: 5, ohms: 1 });
const resistor = (from: number, to: number, leak = false): Element => ({
  type: 'resistor',
  from,
  to,
  ohms: 100,
  ...(leak ? { leak } : {}),
});
const model = fitJunction(0.6, 0.8);
const clamp = (from: number, to: number, kind: 'forward' | 'none'): Element => ({
  type: 'junction',
  from,
  to,
  model,
  clamp: kind,
});
const floating = (nodeCount: number, ...elements: Element[]): readonly number[] =>
  islandsOf({ nodeCount, elements } satisfies Network).floating.flatMap((is, node) => (is ? [node] : []));

describe('a node floats', () => {
  test('when nothing leads from it to a source', () => {
    expect(floating(4, source(1, 0), resistor(2, 3))).toEqual([2, 3]);
  });

  test('when only a leak or a capacitor leads there', () => {
    expect(floating(3, source(1, 0), resistor(1, 2, true))).toEqual([2]);
    expect(floating(3, source(1, 0), { type: 'capacitor', from: 1, to: 2, farads: 1e-6 })).toEqual([2]);
  });

  test('behind a chip’s protection when it is the input, not when it is the chip’s supply', () => {
    expect(floating(3, source(1, 0), clamp(1, 2, 'forward'))).toEqual([]);
    expect(floating(3, source(1, 0), clamp(2, 1, 'forward'))).toEqual([2]);
    expect(floating(3, source(1, 0), clamp(1, 2, 'none'))).toEqual([2]);
  });

  test('not when a resistance of any size leads there: a dark sensor conducts', () => {
    expect(floating(3, source(1, 0), resistor(1, 2))).toEqual([]);
  });
});

describe('an island with a battery of its own', () => {
  test('is held at its minus, once', () => {
    const { floating: none, ties } = islandsOf({
      nodeCount: 5,
      elements: [source(1, 0), source(3, 2), source(4, 2), resistor(3, 4)],
    });
    expect(ties).toEqual([2]);
    expect(none.some(Boolean)).toBe(false);
  });

  test('needs no hold when it is joined to the reference anywhere', () => {
    expect(islandsOf({ nodeCount: 4, elements: [source(1, 0), source(3, 2), resistor(2, 1)] }).ties).toEqual(
      [],
    );
  });
});
