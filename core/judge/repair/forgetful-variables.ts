import type { Token } from '../../program/token';
import { bodyStart, isWritten } from './token-places';

/** The types of variables that begin anew with a constant each time round loop, and are written elsewhere in it. */
export function forgetfulIn(tokens: readonly Token[]): readonly Token[] {
  const start = bodyStart(tokens, 'loop');
  const found: Token[] = [];
  let depth = 0;
  for (let index = start ? tokens.indexOf(start) : tokens.length; index < tokens.length; index += 1) {
    const { text } = tokens[index]!;
    if (text === '{') depth += 1;
    if (text === '}') depth -= 1;
    if (depth === 0) break;
    if (!['{', '}', ';'].includes(text)) continue;
    const end = tokens.findIndex((token, at) => at > index && token.text === ';');
    const words = tokens.slice(index + 1, end);
    const [name, sign, value] = words.slice(-3);
    const [type] = words;
    const isDeclared = words.length >= 4 && words.slice(0, -2).every(({ kind }) => kind === 'word');
    if (!isDeclared || sign?.text !== '=' || !/^(?:\d+|true|false|HIGH|LOW|"[^"]*")$/.test(value!.text))
      continue;
    if (/^(?:const|static|constexpr|return)$/.test(type!.text)) continue;
    if (isWritten(name!.text, tokens.slice(end))) found.push(type!);
  }
  return found;
}
