import { Language, Parser, type Node } from 'web-tree-sitter';
import { describe, expect, test } from 'vitest';
import type { SyntaxNode } from '@/core/program/syntax';
import { pick, randomFrom } from '@/core/random';
import { rightPrograms } from '@/core/testing/right-programs';
import { samples } from '@/core/testing/samples';
import { tokensOf } from '@/core/testing/slips';
import { grammarFiles } from './node';
import { ProgramParser } from './parser';

const files = await grammarFiles();
await Parser.init({ wasmBinary: files.runtime });

const FIELDS = [
  'declarator',
  'value',
  'body',
  'condition',
  'function',
  'arguments',
  'left',
  'name',
  'alternative',
];

/** What a node and all that are in it say of themselves, in the order of the text. */
function factsOf(root: SyntaxNode | Node): readonly string[] {
  const told: string[] = [];
  const todo: (SyntaxNode | Node)[] = [root];
  for (let node = todo.pop(); node; node = todo.pop()) {
    const { startPosition: from, endPosition: to } = node;
    told.push(
      [
        ...[
          node.type,
          node.isNamed,
          node.hasError,
          node.startIndex,
          node.endIndex,
          node.isNamed && !root.hasError && node.nextNamedSibling?.startIndex,
        ],
        ...[from.row, from.column, to.row, to.column, node.namedChildren.map((child) => child?.startIndex)],
        ...FIELDS.map((name) => node.childForFieldName(name)?.startIndex),
      ].join(' '),
    );
    todo.push(...node.children.flatMap((child) => child ?? []));
  }
  return told;
}

/** One to three changes of a program's words and signs: one left out, doubled, in another's place, or two exchanged. */
function changed(random: () => number, source: string): string {
  const tokens = [...tokensOf(source)];
  const at = (): number => Math.floor(random() * tokens.length);
  for (let times = 1 + Math.floor(random() * 3); times > 0; times -= 1) {
    const [one, other] = [at(), at()];
    const kind = Math.floor(random() * 4);
    if (kind === 0) tokens.splice(one, 1);
    else if (kind === 1) tokens.splice(one, 0, tokens[other] ?? '');
    else if (kind === 2) tokens[one] = tokens[other] ?? '';
    else [tokens[one], tokens[other]] = [tokens[other] ?? '', tokens[one] ?? ''];
  }
  return tokens.join('');
}

describe.each(['cpp', 'python'] as const)('a program in %s that is like the one before', (name) => {
  const sources = rightPrograms.filter(({ language }) => language === name).map(({ source }) => source);

  test('is read as if it were the first', { timeout: 120_000 }, async () => {
    const language = await Language.load(files[name]);
    const alone = new Parser();
    alone.setLanguage(language);
    const random = randomFrom(name.length);
    const near = new ProgramParser(language);
    let whole = 0;
    for (let count = 0; count < samples(120); count += 1) {
      const source = pick(random, sources);
      expect(near.read(source, factsOf).length).toBeGreaterThan(5);
      for (let times = 0; times < 12; times += 1) {
        const text = changed(random, source);
        const tree = alone.parse(text)!;
        const facts = factsOf(tree.rootNode);
        if (!tree.rootNode.hasError) whole += 1;
        expect(near.read(text, factsOf), text).toEqual(facts);
        tree.delete();
      }
    }
    expect(whole).toBeGreaterThan(samples(120));
  });

  test('is read when another was read in the middle of it, and after a reader that failed', async () => {
    const near = new ProgramParser(await Language.load(files[name]));
    const [source = '', other = ''] = sources;
    const facts = near.read(source, factsOf);
    const inner = near.read(source, (root) => [near.read(other, factsOf), factsOf(root)] as const);
    expect(inner[1]).toEqual(facts);
    expect(() =>
      near.read(other, () => {
        throw new Error('no');
      }),
    ).toThrow('no');
    expect(near.read(other, factsOf)).toEqual(inner[0]);
    expect(near.read(source, factsOf)).toEqual(facts);
  });
});
