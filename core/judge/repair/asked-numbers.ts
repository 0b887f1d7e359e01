import type { Language } from '../../program';
import type { Token } from '../../program/token';
import { areNearlySame, comparedIn, isFixed, suffixOf, valueOf } from './guesses/numbers';
import { isInLoopHead, tokensOf } from './token-places';
import { holdingsOf, isInCall, mayBeFraction } from './what-names-hold';

/** A number of a program, and one that the exercise's own program has instead. */
export interface AskedNumber {
  readonly token: Token;
  readonly by: string;
}

/** Milliseconds that a pause takes at least. */
const SHORTEST_MS = 5;
/** Numbers that are tried in a program; where more are otherwise, it is another program. */
const MOST = 48;

/** Numbers that only the program has, each with those that only the exercise's own program has. */
export function askedNumbers(source: string, asked: string, language: Language): readonly AskedNumber[] {
  const tokens = tokensOf(source, language);
  const holdings = holdingsOf(tokens, language);
  const wanted = timesAndLimitsIn(asked, language);
  const [has, wants] = [valuesOf(numbersIn(tokens)), valuesOf(wanted)];
  const missing = [...new Set(wanted.map(({ text }) => text))].filter((text) => !has.has(Number(text)));
  const pauses = pausesIn(asked, language);
  const own = pausesIn(source, language);
  const pausesMissing = [...pauses].filter((pause) => !own.has(pause));
  // A limit may be missing though the program has its number for something else.
  const [compared, limits] = [comparedIn(tokens), comparedIn(tokensOf(asked, language))];
  const missingLimits = limits.filter((by) => !compared.includes(by) && !missing.includes(by));
  const found = tokens.flatMap((token, at) => {
    if (token.kind !== 'number' || isFixed(tokens, at)) return [];
    // A pause may be as long as another one of the exercise's own program that this one lacks.
    const isOfOther = pausesMissing.length > 0 && isInCall(tokens, at, PAUSES);
    if (wants.has(valueOf(token.text)) && !isOfOther) return [];
    const isPause = isInCall(tokens, at, PAUSES) && pauses.size > 0;
    // What looks like one of the exercise's numbers may be that one, whether or not the program has it elsewhere too.
    const alike = wanted.map(({ text }) => text).filter((by) => areNearlySame(token.text, by));
    const isLimit = compared.includes(token.text) && /^[<>]=?$/.test(tokens[at - 1]?.text ?? '');
    return (
      [...new Set([...missing, ...(isLimit ? missingLimits : []), ...(isPause ? pauses : []), ...alike])]
        .filter((by) => Number(by) !== valueOf(token.text))
        .filter((by) => !/\./.test(by) || mayBeFraction(tokens, at, holdings, language))
        // A pause that nobody notices is no pause of another program.
        .filter((by) => !isInCall(tokens, at, PAUSES) || pauses.has(by))
        .filter((by) => Number(by) >= SHORTEST_MS || !isInCall(tokens, at, /^delay$/))
        // One that looks like it is the likelier one.
        .sort((a, b) => Number(areNearlySame(token.text, b)) - Number(areNearlySame(token.text, a)))
        .map((by) => ({ token, by: by + suffixOf(token.text) }))
    );
  });
  return found.length > MOST ? [] : found;
}

/** The numbers of a program that may stand in another: the number of a pin is none, and how often a loop goes round. */
function timesAndLimitsIn(source: string, language: Language): readonly Token[] {
  const tokens = tokensOf(source, language);
  const holdings = holdingsOf(tokens, language);
  return numbersIn(tokens).filter((token) => {
    const at = tokens.indexOf(token);
    const given = tokens[at - 1]?.text === '=' ? tokens[at - 2]?.text : undefined;
    // How often a loop goes round is a whole number.
    const isCount = isInLoopHead(tokens, at) && !token.text.includes('.');
    return !isCount && (given === undefined || holdings.get(given) !== 'pin');
  });
}

/** Calls that wait. */
const PAUSES = /^(?:delay|sleep)$/;

/** What may be waited for: what a program waits, by its number or by a name, and what it compares times with. */
function pausesIn(source: string, language: Language): ReadonlySet<string> {
  const tokens = tokensOf(source, language);
  const holdings = holdingsOf(tokens, language);
  const waited = new Set(tokens.flatMap((token, at) => (isInCall(tokens, at, PAUSES) ? [token.text] : [])));
  const isTimed = tokens.some(({ text }) => /^(?:millis|micros|monotonic)$/.test(text));
  return new Set(
    tokens.flatMap(({ kind, text }, at) => {
      const name = tokens[at - 1]?.text === '=' ? (tokens[at - 2]?.text ?? '') : '';
      const isWaited = waited.has(text) || waited.has(name) || isTimed;
      return kind === 'number' && isWaited && holdings.get(name) !== 'pin' ? [text] : [];
    }),
  );
}

const numbersIn = (tokens: readonly Token[]): readonly Token[] =>
  tokens.filter(({ kind }) => kind === 'number');
/** `30` and `30.0` are one number. */
const valuesOf = (tokens: readonly Token[]): ReadonlySet<number> =>
  new Set(tokens.map(({ text }) => valueOf(text)));
