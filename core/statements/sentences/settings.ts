import { isBrought, touchedBy, type Stimulus } from '../../stimuli';
import { readDone } from './done';
import { timed, type Named } from './plain';
import { whole, type Way, type Reads } from './way';

/** Seconds that a part may take to do what a setting asks for, and in which it need not have begun to leave it. */
const [REACTS, BEFORE] = [0.5, 0.1];

const CONDITIONED = '(.+?),? (?:when|while|if|as long as|whenever) (.+)';

/** `P1 is in the middle`, `X1 sees 20 cm`: what is measured, brought to one amount. */
function settingOf(clause: string, parts: readonly Named[]): (Stimulus & { to: number }) | undefined {
  const read = readDone(clause, parts, []);
  const [setting, more] = read.ok ? read.value : [];
  return setting && !more && isBrought(setting) && setting.over === undefined ? setting : undefined;
}

/** What is done for such a sentence in a scenario of its own: the setting, from the beginning. */
export function doneForSetting(plain: string, parts: readonly Named[]): readonly Stimulus[] {
  const [, , clause = ''] = whole(CONDITIONED).exec(plain) ?? [];
  const setting = clause === '' ? undefined : settingOf(clause, parts);
  return setting ? [{ ...setting, at: 0 }] : [];
}

/** `M1 stands at 90° when P1 is in the middle`: what must be seen as long as what is measured has one amount. */
export const waysSet = (reads: Reads): readonly Way[] => [
  {
    pattern: whole(CONDITIONED),
    means: ([said = '', clause = ''], around, depth) => {
      const setting = settingOf(clause, around.parts);
      const touched = setting && touchedBy(setting);
      if (!setting || !touched) return undefined;
      const moves = around.done
        .flatMap((stimulus) =>
          touchedBy(stimulus)?.name === touched.name && isBrought(stimulus) ? [stimulus] : [],
        )
        .sort((one, other) => one.at - other.at);
      const stretches = moves.flatMap(({ at, over = 0, to }, index) =>
        to === setting.to ? [{ from: at + over, to: moves[index + 1]?.at }] : [],
      );
      if (stretches.length === 0) return { problem: `Say first when that is so: ${clause} at 2 s.` };
      const read = stretches.map(({ from, to }) => {
        const until = to === undefined ? '' : ` to ${timed(to - BEFORE)} s`;
        return reads(`${said} from ${timed(from + REACTS)} s${until}`, around, depth + 1);
      });
      const sentences = read.flatMap((one) => (one && 'sentences' in one ? one.sentences : []));
      return sentences.length > 0 ? { sentences } : read[0];
    },
  },
];
