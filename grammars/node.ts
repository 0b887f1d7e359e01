import { readFile } from 'node:fs/promises';
import { createRequire } from 'node:module';
import { join } from 'node:path';
import type { Grammars } from '@/core/program/syntax';
import { loadGrammars, type GrammarFiles } from './load';

let loaded: Promise<Grammars> | undefined;

/** The grammars from the installed packages, loaded once per process. */
export function nodeGrammars(): Promise<Grammars> {
  loaded ??= grammarFiles().then(loadGrammars);
  return loaded;
}

/** The files of the installed packages. */
export async function grammarFiles(): Promise<GrammarFiles> {
  const require = createRequire(join(process.cwd(), 'package.json'));
  const read = (name: string): Promise<Uint8Array> => readFile(require.resolve(name));
  const [runtime, cpp, python] = await Promise.all([
    read('web-tree-sitter/web-tree-sitter.wasm'),
    read('tree-sitter-cpp/tree-sitter-cpp.wasm'),
    read('tree-sitter-python/tree-sitter-python.wasm'),
  ]);
  return { runtime, cpp, python };
}
