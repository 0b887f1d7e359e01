import type { Language } from '../../program';
import type { Token } from '../../program/token';
import { THOUSAND } from './put-in';
import { tokensOf } from './token-places';
import { isInCall } from './what-names-hold';

/** Seconds that nobody lets a learner's program wait, and milliseconds that nobody sees. */
const [LONG_S, SHORT_MS] = [20, 10];

/** Pauses that look as if they were written in the unit of the other language: `time.sleep(100)`, `delay(2)`. */
export function pausesInUnits(
  source: string,
  language: Language,
): readonly { readonly token: Token; readonly by: string }[] {
  const tokens = tokensOf(source, language);
  return tokens.flatMap((token, index) => {
    const amount = Number(token.text);
    if (token.kind !== 'number' || !(amount > 0)) return [];
    if (language === 'python')
      return amount >= LONG_S && isInCall(tokens, index, /^sleep$/)
        ? [{ token, by: String(amount / THOUSAND) }]
        : [];
    return amount < SHORT_MS && isInCall(tokens, index, /^delay$/)
      ? [{ token, by: String(amount * THOUSAND) }]
      : [];
  });
}
