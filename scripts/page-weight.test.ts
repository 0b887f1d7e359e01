import { readdirSync, readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { join } from 'node:path';
import { build } from 'esbuild';
import { describe, expect, it } from 'vitest';

const root = fileURLToPath(new URL('..', import.meta.url));

/** Bytes, as they are sent before compression, beyond the framework: a slow tablet compiles about 1 MB in a second. */
const MOST_WEIGHT = 820_000;

/** What computes for long works in workers and on the server; editors and charts come when they are wanted. */
const LATER: readonly (readonly [what: string, where: RegExp])[] = [
  ['the interpreter', /^core\/program\/(?:cpp|python)\/(?:emit|resolve)\.ts$/],
  ['the search for repairs', /^core\/judge\/repair\/search\.ts$/],
  ['the check', /^core\/judge\/(?:check|examine|inspect|match)\.ts$/],
  ['the server', /^server\//],
  ['the grammars', /^node_modules\/web-tree-sitter\//],
  ['the editor', /^node_modules\/@codemirror\/view\//],
  ['the charts', /^node_modules\/echarts\//],
  ['the layout of schematics', /^node_modules\/elkjs\/lib\/elk-worker/],
  ['print', /^node_modules\/(?:pdfkit|fontkit)\//],
];

const filesIn = (folder: string): readonly string[] =>
  readdirSync(join(root, folder), { recursive: true, encoding: 'utf8' })
    .filter((name) => name.endsWith('.tsx') && !name.includes('.test.'))
    .map((name) => `${folder}/${name}`);

/** Components with which a part of a page may begin that runs in the browser. */
const inBrowser = [...filesIn('ui'), ...filesIn('app')].filter((name) =>
  readFileSync(join(root, name), 'utf8').startsWith("'use client'"),
);

/** The files that come with each of these components, but for those that are loaded later: their bytes. */
async function carried(): Promise<ReadonlyMap<string, ReadonlyMap<string, number>>> {
  const { metafile } = await build({
    absWorkingDir: root,
    entryPoints: [...inBrowser],
    outdir: 'page-weight',
    write: false,
    metafile: true,
    bundle: true,
    splitting: true,
    minify: true,
    format: 'esm',
    jsx: 'automatic',
    alias: { '@': root.replace(/\/$/, '') },
    external: ['next', 'next/*', 'react', 'react-dom', 'react/*', 'node:*'],
    loader: { '.css': 'empty', '.svg': 'text', '.wasm': 'file' },
    define: { 'import.meta.url': '""' },
    logLevel: 'error',
  });
  const withAll = (first: string): ReadonlySet<string> => {
    const seen = new Set([first]);
    for (const output of seen)
      for (const { path, kind } of metafile.outputs[output]!.imports)
        if (kind === 'import-statement' && metafile.outputs[path]) seen.add(path);
    return seen;
  };
  const later = new Set(
    Object.values(metafile.inputs).flatMap(({ imports }) =>
      imports.filter(({ kind }) => kind === 'dynamic-import').map(({ path }) => path),
    ),
  );
  return new Map(
    Object.entries(metafile.outputs).flatMap(([output, { entryPoint }]) => {
      if (!entryPoint || !inBrowser.includes(entryPoint) || later.has(entryPoint)) return [];
      const bytes = new Map<string, number>();
      for (const each of withAll(output))
        for (const [input, { bytesInOutput }] of Object.entries(metafile.outputs[each]!.inputs))
          bytes.set(input, (bytes.get(input) ?? 0) + bytesInOutput);
      return [[entryPoint, bytes]];
    }),
  );
}

describe('what a page carries', async () => {
  const parts = await carried();

  it('is found of every component that runs in the browser', () => {
    expect(parts.size).toBeGreaterThan(inBrowser.length - 10);
    expect([...parts.keys()]).toContain('ui/bench/Bench.tsx');
  });

  it.each([...parts])('%s leaves to others what computes, and for later what is wanted later', (_, bytes) => {
    const early = LATER.filter(([, where]) =>
      [...bytes].some(([input, weight]) => weight > 0 && where.test(input)),
    ).map(([what]) => what);
    expect(early).toEqual([]);
  });

  it.each([...parts])('%s weighs little', (_, bytes) => {
    expect([...bytes.values()].reduce((sum, weight) => sum + weight, 0)).toBeLessThan(MOST_WEIGHT);
  });
});
