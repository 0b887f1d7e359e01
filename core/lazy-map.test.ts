import { describe, expect, test } from 'vitest';
import { LazyMap } from './lazy-map';

describe('a lazy map', () => {
  const made: string[] = [];
  const maker = (name: string) => [name, () => (made.push(name), name.length)] as const;
  const map = new LazyMap(new Map([maker('one'), maker('three'), maker('seven')]));

  test('makes a value when it is asked for, and once', () => {
    expect([map.has('three'), map.has('two'), map.size, [...map.keys()]]).toEqual([
      true,
      false,
      3,
      ['one', 'three', 'seven'],
    ]);
    expect(made).toEqual([]);
    expect([map.get('three'), map.get('three'), map.get('two')]).toEqual([5, 5, undefined]);
    expect(made).toEqual(['three']);
  });

  test('is a map in the order of its keys for whoever wants all of it', () => {
    const entries = [
      ['one', 3],
      ['three', 5],
      ['seven', 5],
    ];
    expect([...map]).toEqual(entries);
    expect([...map.values()]).toEqual([3, 5, 5]);
    const told: unknown[] = [];
    map.forEach((value, key) => told.push([key, value]));
    expect(told).toEqual(entries);
    expect(made).toEqual(['three', 'one', 'seven']);
  });
});
