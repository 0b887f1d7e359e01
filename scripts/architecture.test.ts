import { existsSync, readFileSync, readdirSync } from 'node:fs';
import { createRequire } from 'node:module';
import { describe, expect, test } from 'vitest';

const map = readFileSync('ARCHITECTURE.md', 'utf8');
const cruiser = createRequire(import.meta.url)('../.dependency-cruiser.cjs') as {
  readonly forbidden: readonly { readonly name: string }[];
};
const files = readdirSync('.', { withFileTypes: true })
  .filter((entry) => !/^(node_modules|\.git|\.next|\.didaktor)$/.test(entry.name))
  .flatMap((entry) =>
    entry.isDirectory()
      ? readdirSync(entry.name, { recursive: true, encoding: 'utf8' }).map((file) => `${entry.name}/${file}`)
      : [entry.name],
  );

describe('the map', () => {
  const named = [
    ...new Set([...map.matchAll(/`([\w./-]+\.(?:tsx?|mjs|cjs|json|md|txt))`/g)].map(([, name]) => name!)),
  ];

  test('names files', () => expect(named.length).toBeGreaterThan(30));

  test.each(named)('names %s, which is there', (name) => {
    expect(files.some((file) => file === name || file.endsWith(`/${name}`))).toBe(true);
  });

  test.each([...map.matchAll(/^\| `([\w/]+)`/gm)].map(([, folder]) => folder!))(
    'has the folder %s',
    (folder) => {
      expect(existsSync(folder)).toBe(true);
    },
  );

  test('has every room of the core', () => {
    const rooms = files.filter((file) => /^core\/\w+$/.test(file));
    expect(rooms).toContain('core/parts');
    expect(rooms.filter((room) => !map.includes(`| \`${room}\``))).toEqual([]);
  });

  test('has the rooms of the core in the order in which they may import each other', () => {
    const inMap = [...map.matchAll(/^\| `core\/(\w+)`/gm)].map(([, room]) => room!);
    const ordered = cruiser.forbidden.flatMap(({ name }) => /^core-(\w+)-looks-down$/.exec(name)?.[1] ?? []);
    expect(ordered.length).toBeGreaterThan(15);
    expect(inMap.filter((room) => room !== 'testing')).toEqual(ordered);
  });
});

test('zod is imported whole, so that a bundler leaves out the half of it that is not used', () => {
  const sources = files.filter((file) => /\.(tsx?|mjs)$/.test(file) && !file.includes('/node_modules/'));
  const importers = sources
    .map((file) => ({ file, line: /^import .* from 'zod';$/m.exec(readFileSync(file, 'utf8'))?.[0] }))
    .filter(({ line }) => line !== undefined);
  expect(importers.length).toBeGreaterThan(50);
  expect(importers.filter(({ line }) => !/^import (type )?\* as z from/.test(line!))).toEqual([]);
});

test('every page tells when it answers: what is pressed before is kept until then', () => {
  const pages = files.filter((file) => /^app\/(?:.*\/)?(?:page|error)\.tsx$/.test(file));
  expect(pages.length).toBeGreaterThan(25);
  // A view of signed-in people has it from its shell.
  const isTold = (file: string): boolean => /<(?:View|PageAnswers)\b/.test(readFileSync(file, 'utf8'));
  expect(pages.filter((file) => !isTold(file))).toEqual([]);
});
