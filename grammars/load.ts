import { Language, Parser } from 'web-tree-sitter';
import type { Grammars } from '@/core/program/syntax';
import { ProgramParser } from './parser';

/** The WebAssembly files that parsing needs, fetched by whoever knows where they are. */
export interface GrammarFiles {
  readonly runtime: Uint8Array;
  readonly cpp: Uint8Array;
  readonly python: Uint8Array;
}

/** Makes the parsers from their files. Rejects when a file is not what it should be. */
export async function loadGrammars(files: GrammarFiles): Promise<Grammars> {
  // The loader of the runtime takes the bytes themselves, so that it fetches nothing.
  await Parser.init({ wasmBinary: files.runtime });
  const [cpp, python] = await Promise.all([Language.load(files.cpp), Language.load(files.python)]);
  return { cpp: new ProgramParser(cpp).read, python: new ProgramParser(python).read };
}
