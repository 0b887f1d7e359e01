import { findKind } from '../../parts';
import { isPress, type Press, type Stimulus } from '../../stimuli';
import { stateOf } from './on-off';
import { NAMES, timed, type Named } from './plain';
import { inStretches } from './stretches';
import type { Meaning, Reads } from './way';

/** Seconds that a part may take to answer what is pressed. */
const REACTS = 0.1;
/** In a scenario that is made for it: how long a button is held alone, how long all of them together, and what is between. */
const [ALONE, TOGETHER, BETWEEN] = [1, 2, 1];

/** Buttons, and whether something is so while some of them are held. */
export interface Gate {
  readonly names: readonly string[];
  readonly isSo: (held: ReadonlySet<string>) => boolean;
}

export const HELD = '(?:pressed|pushed|held(?: down)?|down|kept pressed|closed)';

const buttonsIn = (parts: readonly Named[]): readonly string[] =>
  parts.filter(({ kind }) => findKind(kind)?.stimulus === 'press').map(({ ref }) => ref);

/** `S1 and S2 are held`, `either button is pressed`, `S1 is not pressed`; `undefined` for what is no such clause. */
export function gateOf(clause: string, parts: readonly Named[]): Gate | undefined {
  const isClause = (source: string): boolean => new RegExp(`^${source}$`, 'i').test(clause);
  const all = buttonsIn(parts);
  const named = [...new Set((clause.match(new RegExp(NAMES, 'g')) ?? []).map((name) => name.toUpperCase()))];
  const names = named.length > 0 ? named : all;
  if (names.length === 0 || names.some((name) => !all.includes(name))) return undefined;
  const count = (held: ReadonlySet<string>): number => names.filter((name) => held.has(name)).length;
  const isEach = (held: ReadonlySet<string>): boolean => count(held) === names.length;
  const isAny = (held: ReadonlySet<string>): boolean => count(held) > 0;
  const isNone = (held: ReadonlySet<string>): boolean => count(held) === 0;
  const several = names.length > 1;
  const isBoth = names.length === 2;
  if (
    several &&
    (isClause(
      `(?:both )?${NAMES}(?:(?:, ?| and |, and )${NAMES})+ are (?:both |all )?${HELD}(?: together| at once| at the same time)?`,
    ) ||
      isClause(`(?:all${isBoth ? '|both' : ''})(?: of)?(?: the)? (?:\\w+ )?(?:buttons )?are ${HELD}`))
  )
    return { names, isSo: isEach };
  if (
    several &&
    (isClause(`(?:either )?${NAMES}(?:(?:, ?| or |, or )${NAMES})+ is ${HELD}`) ||
      isClause(`${NAMES} is ${HELD} or ${NAMES} is ${HELD}`) ||
      isClause(`(?:either|any|at least one|one)(?: of)?(?: the| them)?(?: \\w+)?(?: buttons?)? is ${HELD}`))
  )
    return { names, isSo: isAny };
  if (several && isClause(`(?:only|exactly) one(?: of)?(?: the| them)?(?: \\w+)?(?: buttons?)? is ${HELD}`))
    return { names, isSo: (held) => count(held) === 1 };
  if (
    named.length === 2 &&
    isClause(`(?:only )?${NAMES} is ${HELD},? (?:and|but) ${NAMES} is (?:not(?: ${HELD})?|up)`)
  )
    return { names, isSo: (held) => held.has(named[0]!) && !held.has(named[1]!) };
  if (
    isClause(`${NAMES} is (?:not ${HELD}|up|open)`) ||
    (several && isClause(`neither ${NAMES}(?:(?:, | nor | or |, nor )${NAMES})+ is ${HELD}`)) ||
    isClause(`(?:no button|nothing|none of (?:them|the buttons)) is ${HELD}`)
  )
    return { names, isSo: isNone };
  return undefined;
}

/** `D1 is on while S1 and S2 are held`: what is said of a part, and while which buttons are held. */
function gated(
  plain: string,
  parts: readonly Named[],
): { readonly subject: string; readonly said: string; readonly gate: Gate } | undefined {
  const [, subject = '', said = '', word = '', clause = ''] =
    new RegExp(`^(${NAMES}) (.+?),? (?:only )?(when|while|if|as long as|whenever|unless) (.+)$`, 'i').exec(
      plain,
    ) ?? [];
  const isUnless = word.toLowerCase() === 'unless';
  const held = isUnless
    ? clause.replace(new RegExp(`^(${NAMES}) is (${HELD})$`, 'i'), '$1 is not $2')
    : clause;
  const gate = gateOf(held, parts);
  if (!gate) return undefined;
  const isTurned = isUnless && held === clause;
  return {
    subject: subject.toUpperCase(),
    said: said.replace(/\bonly /i, ''),
    gate: isTurned ? { ...gate, isSo: (keys) => !gate.isSo(keys) } : gate,
  };
}

/** What is done for it in a scenario of its own: each button is held alone, and then all of them together. */
export function doneForGate(plain: string, parts: readonly Named[]): readonly Stimulus[] {
  const found = gated(plain, parts);
  if (!found) return [];
  const { names } = found.gate;
  const alone = names.map((press, index): Press => ({
    at: BETWEEN + index * (ALONE + BETWEEN),
    press,
    for: ALONE,
  }));
  const at = BETWEEN + names.length * (ALONE + BETWEEN);
  return names.length === 1 ? alone : [...alone, ...names.map((press) => ({ at, press, for: TOGETHER }))];
}

/** What must be seen while such buttons are held and while they are not; `undefined` for any other sentence. */
export function underGate(
  plain: string,
  parts: readonly Named[],
  done: readonly Stimulus[],
  reads: Reads,
): Meaning | undefined {
  const found = gated(plain, parts);
  if (!found) return undefined;
  const { subject, said, gate } = found;
  const presses = done.filter(isPress).filter(({ press }) => gate.names.includes(press));
  const changes = presses.flatMap(({ at, for: length }) => [
    at,
    ...(length === undefined ? [] : [at + length]),
  ]);
  const moments = [...new Set([0, ...changes].map(timed))].sort((one, other) => one - other);
  const stretches: { isSo: boolean; from: number; to: number | undefined }[] = [];
  for (const [index, from] of moments.entries()) {
    const held = new Set(
      presses
        .filter(({ at, for: length }) => at <= from && (length === undefined || from < timed(at + length)))
        .map(({ press }) => press),
    );
    const [isSo, to] = [gate.isSo(held), moments[index + 1]];
    const last = stretches.at(-1);
    if (last?.isSo === isSo) last.to = to;
    else stretches.push({ isSo, from, to });
  }
  if (!stretches.some(({ isSo }) => isSo) || stretches.length < 2)
    return {
      problem: `Say first when that is so and when not: ${gate.names.map((name) => `hold ${name} from 1 s to 3 s`).join(', ')}.`,
    };
  const reacted = stretches.map(({ isSo, from, to }) => ({ isSo, from: timed(from + REACTS), to }));
  return inStretches({ subject, said, state: stateOf(said) }, reacted, { parts, done }, reads);
}
