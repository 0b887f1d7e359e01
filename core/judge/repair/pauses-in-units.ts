import type { Language } from '../../program';
import type { Token } from '../../program/token';
import { THOUSAND } from './put-in';
import { tokensOf } from './token-places';
import { isInCall } from './what-names-hold';

/** Seconds that nobody lets a learner's program wait, and milliseconds that nobody sees. */
const [LONG_S, SHORT_MS] = [20, 10];

/**
 * Pauses that look as if they were written in the unit of the other language: `time.sleep(100)`, `delay(2)`, also by the
 * name of a number that is waited for, or that a time is compared with or added to.
 */
export function pausesInUnits(
  source: string,
  language: Language,
): readonly { readonly token: Token; readonly by: string }[] {
  const tokens = tokensOf(source, language);
  const isWaited = waitedIn(tokens, language === 'python' ? /^sleep$/ : /^delay$/);
  return tokens.flatMap((token, index) => {
    const amount = Number(token.text);
    if (token.kind !== 'number' || !(amount > 0)) return [];
    if (language === 'python')
      return amount >= LONG_S && isWaited(index) ? [{ token, by: String(amount / THOUSAND) }] : [];
    return amount < SHORT_MS && isWaited(index) ? [{ token, by: String(amount * THOUSAND) }] : [];
  });
}

/** Whether a number is waited for: in a call that waits, or under a name that one is given, or that is set beside the clock. */
function waitedIn(tokens: readonly Token[], calls: RegExp): (index: number) => boolean {
  const timed = new Set(tokens.flatMap(({ text, line }) => (CLOCK.test(text) ? [line] : [])));
  const holdings = new Set(
    tokens.flatMap(({ text, line }, index) =>
      tokens[index + 1]?.text === '=' && timed.has(line) ? [text] : [],
    ),
  );
  const isBesideTime = ({ line }: Token): boolean =>
    timed.has(line) || tokens.some((one) => one.line === line && holdings.has(one.text));
  return (index) => {
    if (isInCall(tokens, index, calls)) return true;
    const name = tokens[index - 1]?.text === '=' ? tokens[index - 2]?.text : undefined;
    return (
      name !== undefined &&
      tokens.some(
        (token, at) =>
          token.text === name &&
          at !== index - 2 &&
          (isInCall(tokens, at, calls) ||
            (isBesideTime(token) && /^(?:[-+<>]|[<>]=)$/.test(tokens[at - 1]?.text ?? ''))),
      )
    );
  };
}
const CLOCK = /^(?:millis|monotonic)$/;
