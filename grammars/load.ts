import { Language, Parser } from 'web-tree-sitter';
import { ParseGivenUp, type Grammars, type ParseWith } from '@/core/program/syntax';
import { KnownNode } from './known-node';

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
  return { cpp: parserFor(cpp), python: parserFor(python) };
}

/**
 * Milliseconds of work after which a parser gives up. Programs take a hundredth of that; a text that is none and can be
 * read in ever more ways takes minutes, and nothing that the parser counts tells the one from the other.
 */
const PATIENCE = 1000;
/**
 * Milliseconds that count between two looks at the clock, which are about one apart. What is longer is a machine that
 * stood still or worked for others, and no right program is to be refused for that.
 */
const MOST_BETWEEN_LOOKS = 20;

function parserFor(language: Language): ParseWith {
  const parser = new Parser();
  parser.setLanguage(language);
  return (source, read) => {
    let worked = 0;
    let last = performance.now();
    const hasHadEnough = (): boolean => {
      const now = performance.now();
      worked += Math.min(now - last, MOST_BETWEEN_LOOKS);
      last = now;
      return worked > PATIENCE;
    };
    const tree = parser.parse(source, null, { progressCallback: hasHadEnough });
    if (!tree) {
      parser.reset();
      throw new ParseGivenUp();
    }
    try {
      return read(new KnownNode(tree.rootNode, source));
    } finally {
      tree.delete();
    }
  };
}
