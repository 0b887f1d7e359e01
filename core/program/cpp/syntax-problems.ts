import { MOST_PROBLEMS, refusal, type ProgramProblem } from '../problem';
import { spanOf, type SyntaxNode } from '../syntax';
import { missing, quoteProblems, strayProblems } from '../syntax-wording';
import type { Token } from '../token';
import { BraceScan } from './brace-scan';
import { keywordSlips } from './keyword-slips';
import { lineSlips } from './line-slips';
import { elseInOne } from './slips';
import { StatementScan } from './statement-scan';
import { TokenMap } from './token-map';
import { tokenSlips } from './token-slips';
import type { TokenList } from './tokens';

/**
 * Says where a program that the grammar refused went wrong: at the place where the writer made the
 * mistake, which the grammar often notices lines later. Looks at tokens, brackets and indentation
 * first, and falls back to the grammar's own first error. Problems come in the order of the text.
 */
export function syntaxProblems(list: TokenList, root: SyntaxNode): readonly ProgramProblem[] {
  const quotes = quoteProblems(list.quotes);
  if (quotes.length > 0) return quotes;
  if (list.strays.length > 0) return strayProblems(list.strays);
  const lines = lineSlips(root.text);
  if (lines.length > 0) return lines;
  const joined = elseInOne(list.tokens);
  if (joined.length > 0) return joined;
  const slips = keywordSlips(list.tokens);
  if (slips.length > 0) return slips;
  const map = new TokenMap(list.tokens);
  const written = tokenSlips(map);
  if (written.length > 0) return written.slice(0, MOST_PROBLEMS);
  const braces = new BraceScan(map);
  const found = [
    ...braces.brackets(),
    ...braces.labels(),
    ...new StatementScan(map).problems(),
    ...braces.cutOffElse(),
    ...braces.loneElse(),
    ...braces.openTypes(),
  ]
    .sort((a, b) => a.line - b.line || a.column - b.column)
    // What is said of the rest of a line follows from what is wrong before it.
    .filter(({ line }, index, all) => all[index - 1]?.line !== line);
  return found.length > 0 ? found : [grammarProblem(root, list.tokens)];
}

/** The grammar's own first error, for what the scan does not know. */
function grammarProblem(root: SyntaxNode, tokens: readonly Token[]): ProgramProblem {
  const node = firstError(root) ?? root;
  const place = spanOf(node);
  if (node.isMissing) {
    const before = tokens
      .filter(
        (token) => token.line < place.line || (token.line === place.line && token.endColumn <= place.column),
      )
      .at(-1);
    const code =
      node.type === ';'
        ? 'syntax-semicolon'
        : node.type === ')' || node.type === '('
          ? 'syntax-paren'
          : node.type === '}' || node.type === '{'
            ? 'syntax-brace'
            : undefined;
    if (before && code) return missing(code, before, node.type, 'Without it the line cannot be read.');
  }
  const next = tokens.find(
    ({ line, column }) => line > place.line || (line === place.line && column >= place.column),
  );
  const shown = (node.text.split('\n')[0]! || next?.text || '').slice(0, 40);
  return refusal('syntax-other', place, `Line ${place.line} cannot be read from “${shown}” on.`, [
    `Compare line ${place.line} with one that works. What is different?`,
    `The trouble starts at column ${place.column} of line ${place.line}, at “${shown}”.`,
    `Write line ${place.line} again from “${shown}” on, letter by letter from the example.`,
  ]);
}

function firstError(root: SyntaxNode): SyntaxNode | undefined {
  const open: SyntaxNode[] = [root];
  for (let node = open.pop(); node; node = open.pop()) {
    if (node.isError || node.isMissing) return node;
    if (!node.hasError) continue;
    for (let index = node.children.length - 1; index >= 0; index -= 1) {
      const child = node.children[index];
      if (child) open.push(child);
    }
  }
  return undefined;
}
