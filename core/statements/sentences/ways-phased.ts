import { stated } from './on-off';
import { NAMES, timed } from './plain';
import { saying, SECONDS, whole, type Around, type Meaning, type Way } from './way';

/** What is lit for how long; nothing is said of the length of the last one where it stays. */
interface Phase {
  readonly lit: readonly string[];
  readonly seconds: number | undefined;
}

/** What stands between what comes one after the other. */
export const BETWEEN = /,? (?:and )?then |; (?:and )?|, (?:and )?/i;
const LIT = `(${NAMES}(?: (?:and|with|\\+) ${NAMES})*)(?: (?:is|are|stays?|goes|comes|lights?(?: up)?|shines?))?(?: (?:on|lit))?(?: again)?`;
const DARK =
  '(?:(?:all(?: (?:of them|leds|lights))?|everything|both|nothing)(?: (?:is|are))?(?: (?:off|dark|on|lit))?|(?:it )?(?:is |goes |stays )?(?:off|dark|out))';
const PHASE = new RegExp(`^(?:${LIT}|${DARK})(?:(?: for)? ${SECONDS})?$`, 'i');
/** What says, at the end, that it begins anew. */
export const AGAIN =
  /,? (?:and |then |and then )?(?:over and over(?: again)?|again and again|repeatedly|in a loop|all over again|(?:it )?(?:repeats?|starts? again)|so on|forever|for ever)$/i;
/** Seconds near a change in which it does not matter what is lit, and the share of the shortest phase that they are at most. */
const [NEAR, SHARE] = [0.1, 0.2];

/** `D3 for 2 s, then D2 for 1 s, then D1`: its phases; `undefined` for any other sentence. */
function phasesOf(said: string): readonly Phase[] | undefined {
  const pieces = said.split(BETWEEN);
  const found = pieces.map((piece) => PHASE.exec(piece.trim()));
  if (pieces.length < 2 || found.some((one) => one === null)) return undefined;
  const phases = found.map((one): Phase => {
    const [, lit = '', length] = one!;
    return {
      lit: lit.toUpperCase().match(new RegExp(NAMES, 'gi')) ?? [],
      seconds: length === undefined ? undefined : Number(length),
    };
  });
  const isTimed = phases.slice(0, -1).every(({ seconds }) => seconds !== undefined && seconds > 0);
  return isTimed && phases.at(-1)!.seconds !== 0 ? phases : undefined;
}

/** Stretches of time in which an LED is on or off throughout, from the beginning of the first phase. */
function stretchesOf(
  name: string,
  phases: readonly Phase[],
): readonly { readonly isLit: boolean; readonly from: number; readonly to: number | undefined }[] {
  const stretches: { isLit: boolean; from: number; to: number | undefined }[] = [];
  let at = 0;
  for (const { lit, seconds } of phases) {
    const isLit = lit.includes(name);
    const to = seconds === undefined ? undefined : timed(at + seconds);
    const last = stretches.at(-1);
    if (last?.isLit === isLit) last.to = to;
    else stretches.push({ isLit, from: at, to });
    at = to ?? at;
  }
  return stretches;
}

/** How an LED flashes that goes through its stretches over and over; `undefined` where it never changes. */
function rhythmOf(name: string, phases: readonly Phase[]): string | undefined {
  const stretches = stretchesOf(name, phases);
  const spells = stretches.map(({ isLit, from, to }) => ({ isLit, length: timed(to! - from) }));
  if (spells.length < 2) return undefined;
  // What is so at the end goes on at the beginning.
  if (spells[0]!.isLit === spells.at(-1)!.isLit) {
    const { length } = spells.pop()!;
    spells[0] = { ...spells[0]!, length: timed(spells[0]!.length + length) };
  }
  if (!spells[0]!.isLit) spells.push(spells.shift()!);
  return `${name} ${spells.map(({ isLit, length }) => `${isLit ? 'lit' : 'dark'} ${length} s`).join(', ')}`;
}

/** Seconds that are left free beside each change. */
export function nearOf(stages: readonly { readonly seconds: number | undefined }[]): number {
  const shortest = Math.min(...stages.flatMap(({ seconds }) => seconds ?? []));
  return timed(Math.min(NEAR, shortest * SHARE));
}

function inPhases(phases: readonly Phase[], after: string, isAgain: boolean, around: Around): Meaning {
  const names = [...new Set(phases.flatMap(({ lit }) => lit))];
  const near = nearOf(phases);
  // One alone is where it is by its rhythm.
  const placed = isAgain && names.length === 1 ? [] : names;
  const windows = placed.flatMap((name) =>
    stretchesOf(name, phases).map(({ isLit, from, to }) => {
      const until = to === undefined ? '' : ` to ${timed(to - near)} s`;
      return `${stated(name, isLit ? 'on' : 'off', around)} from ${timed(from + near)} s${until}${after}`;
    }),
  );
  const rhythms = isAgain ? names.flatMap((name) => rhythmOf(name, phases) ?? []) : [];
  return saying(...windows, ...rhythms);
}

const EACH = `(?:,? (?:each )?(?:for|every) ${SECONDS}(?: each)?|,? ${SECONDS} each)`;

/** What is lit for how long, one after the other: `green for 2 s, then yellow for 1 s, then red`. */
export const waysPhased: readonly Way[] = [
  // D1, D2 and D3 light up one after another for 0.5 s each
  {
    pattern: whole(
      `(${NAMES}(?:(?:,? (?:and )?then |, ?(?:and )?| and )${NAMES})+)(?: (?:are lit|are on|light up|light|come on|go on|shine|turn on|blink|flash))?(?: (?:in turn|one after (?:another|the other)|one by one|in (?:this |that )?order))?${EACH}((?:${AGAIN.source.replace(/\$$/, '')})?)`,
    ),
    means: ([names = '', length, alone, again = ''], around) => {
      const seconds = Number(length ?? alone);
      const phases = (names.toUpperCase().match(new RegExp(NAMES, 'g')) ?? []).map((name): Phase => ({
        lit: [name],
        seconds,
      }));
      return seconds > 0 ? inPhases(phases, '', again !== '', around) : undefined;
    },
  },
  {
    pattern: whole(`(?:(?:after|when|once) (${NAMES})(?: is (?:pressed|pushed))?[,:]? )?(?:first )?(.+)`),
    means: ([pressed, said = ''], around) => {
      const isAgain = AGAIN.test(said);
      const phases = phasesOf(said.replace(AGAIN, ''));
      if (!phases) return undefined;
      if (isAgain && phases.at(-1)!.seconds === undefined)
        return { problem: 'Say how long the last of them is on before it all begins again.' };
      return inPhases(
        phases,
        pressed === undefined ? '' : ` after ${pressed.toUpperCase()}`,
        isAgain && pressed === undefined,
        around,
      );
    },
  },
  {
    pattern: whole(`(.+) (?:after|when|once) (${NAMES})(?: is (?:pressed|pushed))?`),
    means: ([said = '', pressed = ''], around) => {
      const phases = phasesOf(said);
      return phases && inPhases(phases, ` after ${pressed.toUpperCase()}`, false, around);
    },
  },
];
