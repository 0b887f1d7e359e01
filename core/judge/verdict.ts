import { isBoard } from '../boards';
import type { Observation } from '../findings/finding';
import { rowOf } from '../findings/table';
import type { Exercise } from '../formats/exercise';
import type { Verdict } from '../formats/report';
import { kindOf } from '../parts';
import type { Program } from '../program';
import type { PlacedPart, Wiring } from '../wiring/wiring';
import type { Match } from './match';
import { onceEach } from './rules';

/** Whether a part is of those that people see, hear, touch or change, which no other way of building does without. */
export function isForPeople(part: PlacedPart | undefined): boolean {
  if (!part) return false;
  const { observed, stimulus } = kindOf(part.kind);
  return observed !== undefined || stimulus !== undefined;
}

/** Whether a part has a circuit of its own, and so a supply. */
export const isModule = (part: PlacedPart | undefined): boolean =>
  part !== undefined && kindOf(part.kind).supplyLegs !== undefined;

type IsSo = (ref: string) => boolean;

/**
 * Structural faults of a build that does its job are advice, and a value that still works is one too. What leaves
 * something of the exercise dead is a risk: nothing watched it. `isExtra`: whether a part is none of the exercise's;
 * `isLeftOut`: whether one that is missing is more than a helper. `isModule`: whether one works only when each of its lines is
 * where it belongs. `isWatched`: whether a scenario looked at what it does.
 */
export function settle(
  observations: readonly Observation[],
  passed: boolean,
  {
    isExtra,
    isLeftOut,
    isModule,
    isWatched,
  }: {
    readonly isExtra: IsSo;
    readonly isLeftOut: IsSo;
    readonly isModule: IsSo;
    readonly isWatched: boolean;
  },
): readonly Observation[] {
  const unique = onceEach(observations);
  if (!passed) return unique;
  // Nothing was lost by looking seldom when everything that was to happen did.
  // And a moment of darkness between two ways of being lit is nothing to be seen.
  const relevant = unique.filter(
    ({ code, severity }) =>
      (code !== 'missed-input' || severity === 'advice') && (code !== 'missing-pause' || !isWatched),
  );
  return relevant.map((observation) => {
    if (observation.severity !== 'fault') return observation;
    const { refs = [] } = observation;
    const isOfTheExercise = refs.length === 0 || !refs.every(isExtra);
    const isRisk =
      observation.code === 'part-missing'
        ? refs.some(isLeftOut)
        : observation.code === 'module-lines-swapped'
          ? refs.some(isModule)
          : rowOf(observation.code).isRiskInAnyCase === true && isOfTheExercise;
    return { ...observation, severity: isRisk ? 'risk' : 'advice' };
  });
}

/** What a wiring has none of before anything of it can be judged: the board, where one is asked for, or any part. */
export function lackOf({ board, reference }: Exercise, wiring: Wiring): 'board' | 'part' | undefined {
  if (isBoard(board) && !wiring.board) return 'board';
  // Parts that lie in the bag are no build yet.
  const isPlugged = wiring.parts.some(({ legs }) => legs.some(({ at }) => at !== null));
  return reference.parts.length > 0 && !isPlugged ? 'part' : undefined;
}

/** What a build comes to. */
export function verdictOf(
  lack: ReturnType<typeof lackOf>,
  program: Program,
  /** `unseen`: nothing that was seen is wrong, and a run was stopped before all was seen. */
  outcome: 'passed' | 'failed' | 'unseen',
  observations: readonly Observation[],
  match: Match,
): Verdict {
  const isIncomplete = program.isEmpty || lack !== undefined;
  if (isIncomplete || program.problems.some((problem) => problem.unsupported)) return 'cannot-tell';
  if (outcome === 'unseen') return 'cannot-tell';
  if (outcome === 'failed') return 'does-not-work';
  if (observations.some((observation) => observation.severity === 'risk')) return 'works-at-risk';
  const asAsked = observations.every(({ code }) => !rowOf(code).isAnotherBuild);
  return match.same && asAsked ? 'as-drawn' : 'works-differently';
}
