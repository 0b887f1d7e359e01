import { findKind } from '../../parts';
import { brought, isBrought, isPress, restOf, touchedBy, type Press, type Stimulus } from '../../stimuli';
import { BEFORE, conditionOf, REACTS, type Condition } from './conditions';
import { gateOf, HELD, type Gate } from './gates';
import { stateOf } from './on-off';
import { NAMES, timed, type Named } from './plain';
import { inStretches, type Stretch } from './stretches';
import type { Meaning, Reads } from './way';

/** Seconds that a part may take to answer a press. */
const ANSWERS = 0.1;
/** When the first of two conditions begins to hold in a scenario that is made for them, when the second does, and when each ends. */
const [FIRST, SECOND, FIRST_ENDS, SECOND_ENDS] = [1.5, 3.5, 6.5, 8.5];

/** One of two conditions: something that is measured, or a button that is held. */
type Clause =
  | { readonly sort: 'measured'; readonly condition: Condition }
  | { readonly sort: 'held'; readonly gate: Gate };

/** What is said of a part, and the two conditions that both have to hold, or of which one has to. */
interface Joint {
  readonly subject: string;
  readonly said: string;
  readonly clauses: readonly [Clause, Clause];
  readonly isEach: boolean;
}

function clauseOf(text: string, parts: readonly Named[]): Clause | undefined {
  const condition = conditionOf(text, parts);
  if (condition) return { sort: 'measured', condition };
  const [, held] = new RegExp(`^(${NAMES}) is ${HELD}$`, 'i').exec(text) ?? [];
  if (
    held !== undefined &&
    parts.some(({ ref, kind }) => ref === held.toUpperCase() && findKind(kind)?.stimulus === 'press')
  ) {
    const name = held.toUpperCase();
    return { sort: 'held', gate: { names: [name], isSo: (keys) => keys.has(name) } };
  }
  const gate = gateOf(text, parts);
  return gate?.names.length === 1 && new RegExp(`^${NAMES} `, 'i').test(text)
    ? { sort: 'held', gate }
    : undefined;
}

/** `D1 is on when S1 is held and it is dark`; two conditions of buttons, or on one part, are told elsewhere. */
function jointly(plain: string, parts: readonly Named[]): Joint | undefined {
  const [, subject = '', said = '', first = '', word = '', second = ''] =
    new RegExp(
      `^(${NAMES}) (.+?),? (?:only )?(?:when|while|if|as long as|whenever|once) (.+?),? (and|but|or) (?:(?:when|while|if) )?(.+)$`,
      'i',
    ).exec(plain) ?? [];
  const [one, other] = [first, second].map((text) => clauseOf(text, parts));
  if (!one || !other) return undefined;
  const isOfOnePart =
    one.sort === other.sort &&
    (one.sort === 'held' || (other.sort === 'measured' && one.condition.part === other.condition.part));
  return isOfOnePart
    ? undefined
    : {
        subject: subject.toUpperCase(),
        said: said.replace(/\bonly /i, ''),
        clauses: [one, other],
        isEach: word.toLowerCase() !== 'or',
      };
}

/** What is done for two conditions in a scenario of their own: neither holds, the first alone, both, the second alone. */
export function doneForJoint(plain: string, parts: readonly Named[]): readonly Stimulus[] {
  const found = jointly(plain, parts);
  const done = (found?.clauses ?? []).flatMap((clause, index): readonly Stimulus[] => {
    const [from, to] = index === 0 ? [FIRST, FIRST_ENDS] : [SECOND, SECOND_ENDS];
    if (clause.sort === 'measured') {
      const { part, how, so, otherwise } = clause.condition;
      return [
        brought(how, { part, at: 0, to: otherwise }),
        brought(how, { part, at: from, to: so }),
        brought(how, { part, at: to, to: otherwise }),
      ];
    }
    const [press] = clause.gate.names;
    // What must not be held is held before and after.
    return clause.gate.isSo(new Set([press!]))
      ? [{ at: from, press: press!, for: timed(to - from) }]
      : [
          { at: 0, press: press!, for: from },
          { at: to, press: press!, for: 1 },
        ];
  });
  return done.toSorted((one, other) => one.at - other.at);
}

/** A moment from which on a clause holds or does not, and how long a part may take to answer that. */
interface Turn {
  readonly at: number;
  readonly isSo: boolean;
  readonly answers: number;
}

/** When a clause holds, by what is done; it begins with how it is at the start. */
function turnsOf(clause: Clause, done: readonly Stimulus[]): readonly Turn[] {
  if (clause.sort === 'measured') {
    const { part, how, holds } = clause.condition;
    const moves = done.flatMap((stimulus) =>
      touchedBy(stimulus)?.name === part && isBrought(stimulus)
        ? [{ at: stimulus.at + (stimulus.over ?? 0), isSo: holds(stimulus.to), answers: REACTS }]
        : [],
    );
    return [{ at: 0, isSo: holds(restOf(how)), answers: 0 }, ...moves];
  }
  const { names, isSo } = clause.gate;
  const presses = done.filter(isPress).filter(({ press }) => names.includes(press));
  const heldAt = (at: number): boolean =>
    presses.some((one: Press) => one.at <= at && (one.for === undefined || at < timed(one.at + one.for)));
  const moments = presses.flatMap(({ at, for: length }) =>
    length === undefined ? [at] : [at, timed(at + length)],
  );
  return [
    { at: 0, isSo: isSo(new Set(heldAt(0) ? names : [])), answers: 0 },
    ...moments.map((at) => ({ at, isSo: isSo(new Set(heldAt(at) ? names : [])), answers: ANSWERS })),
  ];
}

/** What must be seen while two conditions hold and while they do not; `undefined` for any other sentence. */
export function underJoint(
  plain: string,
  parts: readonly Named[],
  done: readonly Stimulus[],
  reads: Reads,
): Meaning | undefined {
  const found = jointly(plain, parts);
  if (!found) return undefined;
  const { subject, said, clauses, isEach } = found;
  const turns = clauses.map((clause) => turnsOf(clause, done).toSorted((one, other) => one.at - other.at));
  const holdsAt = (own: readonly Turn[], at: number): boolean =>
    own.findLast((turn) => turn.at <= at)?.isSo ?? false;
  const moments = [...new Set(turns.flat().map(({ at }) => at))].sort((one, other) => one - other);
  const stretches: { isSo: boolean; from: number; to: number | undefined }[] = [];
  for (const [index, at] of moments.entries()) {
    const holding = turns.map((own) => holdsAt(own, at));
    const isSo = isEach ? holding.every(Boolean) : holding.some(Boolean);
    const to = moments[index + 1];
    const last = stretches.at(-1);
    const answers = Math.max(
      ...turns
        .flat()
        .filter((turn) => turn.at === at)
        .map((turn) => turn.answers),
    );
    if (last?.isSo === isSo) last.to = to;
    else stretches.push({ isSo, from: timed(at + answers), to });
  }
  if (!stretches.some(({ isSo }) => isSo) || stretches.length < 2)
    return { problem: 'Say first, in the lines above, when both are so and when they are not.' };
  const state = stateOf(said);
  const seen = stretches.flatMap(({ isSo, from, to }, index): readonly Stretch[] => {
    // What is off is so before the program begins.
    const isOff = state !== undefined && isSo === (state === 'off');
    const begins = index === 0 && isOff ? 0 : from;
    const ends = to === undefined ? undefined : timed(to - BEFORE);
    return ends !== undefined && ends <= begins ? [] : [{ isSo, from: begins, to: ends }];
  });
  return inStretches({ subject, said, state }, seen, { parts, done }, reads);
}
