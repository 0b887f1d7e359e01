import { Language, Parser, type Node } from 'web-tree-sitter';
import { expect, test } from 'vitest';
import type { SyntaxNode } from '@/core/program/syntax';
import { grammarFiles } from './node';
import { KnownNode, Shape } from './known-node';
import { SourceText } from './source-text';

const SOURCE = `// Licht für 2 Sekunden 💡
const char text[] = "grün 💡"; int pin = 9;
void setup() { pinMode(pin, OUTPUT); }
void loop() { for (int i = 0; i < 3; i++) { if (i > 1) break; digitalWrite(pin, }
`;
const FIELDS = ['declarator', 'value', 'body', 'condition', 'function', 'arguments', 'left'];

/** What a node says of itself, and those of its children by which it is read. */
const facts = (node: SyntaxNode | Node): unknown => ({
  type: node.type,
  text: node.text,
  from: [node.startIndex, node.startPosition],
  to: [node.endIndex, node.endPosition],
  is: [node.isNamed, node.isMissing, node.isError, node.hasError],
  next: node.isNamed && node.nextNamedSibling?.startIndex,
  named: node.namedChildren.map((child) => child?.startIndex),
  fields: FIELDS.map((name) => node.childForFieldName(name)?.startIndex),
});

test('a known node says what the parser’s own says, when it is asked first and again', async () => {
  const files = await grammarFiles();
  await Parser.init({ wasmBinary: files.runtime });
  const parser = new Parser();
  parser.setLanguage(await Language.load(files.cpp));
  const tree = parser.parse(SOURCE)!;
  const root = new KnownNode(
    Shape.of(tree.rootNode, new Map()),
    new SourceText(SOURCE),
    tree.rootNode.startIndex,
  );
  const pairs: [Node, KnownNode][] = [[tree.rootNode, root]];
  let seen = 0;
  for (let pair = pairs.pop(); pair; pair = pairs.pop()) {
    const [own, known] = pair;
    expect(facts(known)).toEqual(facts(own));
    expect(facts(known)).toEqual(facts(own));
    pairs.push(...known.children.map((child, index): [Node, KnownNode] => [own.children[index]!, child!]));
    seen += 1;
  }
  expect(tree.rootNode.hasError).toBe(true);
  expect(seen).toBeGreaterThan(80);
  tree.delete();
});
