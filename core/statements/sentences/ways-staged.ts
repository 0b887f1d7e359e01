import { NAMES, timed } from './plain';
import { AGAIN, BETWEEN, nearOf } from './ways-phased';
import { COLOUR } from './colours';
import { SECONDS, whole, type Way, type Reads } from './way';

/** What a part does for how long; nothing is said of the length of the last one where it stays. */
interface Stage {
  readonly said: string;
  readonly seconds: number | undefined;
}

/** Rounds that are looked at of what begins again. */
const ROUNDS = 2;
const STAGE = new RegExp(`^(.+?)(?:,? for ${SECONDS})?$`, 'i');
/** What stands before a state and is said once for all: `shows 3, then 2`, `stands at 0°, then at 90°`. */
const VERB =
  /^(?:(?:is|shows|displays|reads|plays|stands|turns|goes|moves|runs|lights up|shines)(?: at| to)?|sounds(?: at)?) /i;

/** `shows 3 for 1 s, then 2 for 1 s`: its stages; `undefined` where no length is said. */
function stagesOf(said: string): readonly Stage[] | undefined {
  const stages = said.split(BETWEEN).map((piece): Stage => {
    const [, what = '', length] = STAGE.exec(piece.trim().replace(/^it (?=\w+s\b)/i, '')) ?? [];
    return { said: what, seconds: length === undefined ? undefined : Number(length) };
  });
  const isTimed = stages.slice(0, -1).every(({ seconds }) => seconds !== undefined && seconds > 0);
  return stages.length > 1 && isTimed && stages.at(-1)!.seconds !== 0 ? stages : undefined;
}

/**
 * What one part does for how long, one after the other: `the RGB LED is red for 1 s, then green for 1 s`, `M1 stands at 0° for
 * 1 s, then at 90°`, `Z1 plays 440 Hz for 0.5 s, then 880 Hz for 0.5 s`. `reads` what each of them is.
 */
export const waysStaged = (reads: Reads): readonly Way[] => [
  {
    pattern: whole(`(${NAMES}) changes(?: its)? colou?r (?:when .*|with .*|after .*)`),
    means: ([subject = '']) => ({
      problem: `Say which colour comes with which press: “the first press makes ${subject.toUpperCase()} red, the second green”.`,
    }),
  },
  {
    pattern: whole(`(${NAMES}) (?:first )?(.+ for ${SECONDS}(?:,|;| and then| then).+)`),
    means: ([subject = '', said = ''], around, depth) => {
      const isAgain = AGAIN.test(said);
      const stages = stagesOf(said.replace(AGAIN, ''));
      if (!stages) return undefined;
      if (isAgain && stages.at(-1)!.seconds === undefined)
        return { problem: `Say how long the last of it lasts before ${subject.toUpperCase()} begins again.` };
      const [verb = ''] = VERB.exec(stages[0]!.said) ?? [];
      const near = nearOf(stages);
      const sentences: string[] = [];
      let at = 0;
      for (const stage of Array.from({ length: isAgain ? ROUNDS : 1 }, () => stages).flat()) {
        const until = stage.seconds === undefined ? undefined : timed(at + stage.seconds);
        const window = ` from ${timed(at + near)} s${until === undefined ? '' : ` to ${timed(until - near)} s`}`;
        const words = [`${subject} ${stage.said}`, `${subject} ${verb}${stage.said}`];
        const meant = words
          .map((one) => reads(`${one}${window}`, around, depth + 1))
          .find((one) => one !== undefined && 'sentences' in one);
        if (!meant || 'problem' in meant) return undefined;
        sentences.push(...meant.sentences);
        at = until ?? at;
      }
      return { sentences };
    },
  },
  {
    pattern: whole(
      `(${NAMES}) (?:(?:cycles|goes|runs|fades|changes) through|changes (?:its )?colou?rs?\\b(?! (?:when|with|after|on|at) )|rotates through|is (?:${COLOUR})(?:,? (?:and )?then (?:${COLOUR}))+|(?:goes|fades|changes|turns) (?:from )?(?:${COLOUR})(?:,? (?:through|over|via|and|then|and then|to) (?:${COLOUR}))+) ?.*`,
    ),
    means: ([subject = '']) => {
      const name = subject.toUpperCase();
      return {
        problem: `Say how long ${name} has each of them: “${name} is red for 1 s, then green for 1 s, over and over”.`,
      };
    },
  },
];
