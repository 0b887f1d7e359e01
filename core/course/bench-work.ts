import type { BoardProfile } from '../boards';
import { buildSteps, type BuildStep } from '../plan/build-steps';
import { firstLight } from '../plan/first-light';
import type { Wiring } from '../wiring/wiring';
import type { HouseRules } from './house-rules';

/** How a circuit is built in a course. */
export interface BenchWork {
  readonly steps: readonly BuildStep[];
  /** How it is tried before any program; `undefined` where the course does not, or nothing can be tried safely. */
  readonly trial: string | undefined;
}

/** The steps of a build in the order of the course, and its first light when that comes before the program. */
export const benchWork = (
  wiring: Wiring,
  board: BoardProfile,
  rules: Pick<HouseRules, 'wiringOrder' | 'firstLight'>,
): BenchWork => ({
  steps: buildSteps(wiring, rules.wiringOrder),
  trial: rules.firstLight === 'supply' ? firstLight(wiring, board) : undefined,
});

const ORDER: Readonly<Record<HouseRules['uploadOrder'], string>> = {
  'wire-first': 'Wire with the board unplugged, look twice, then plug it in and load the program.',
  'load-first': 'Load the new program, unplug the board, then change the wiring.',
};

/** How a program gets on the board, in the order of the course. */
export const bringUpText = (board: BoardProfile, { uploadOrder }: Pick<HouseRules, 'uploadOrder'>): string =>
  `${ORDER[uploadOrder]} ${board.bringUp.upload}`;

const BEGINNINGS: Readonly<Record<HouseRules['screenOrBench'], string>> = {
  bench: 'Record where each end is, write the program, then check.',
  screen:
    'Plan first: say where each end will go, write the program, then check. Build it when the plan works.',
  'screen-only': 'Say where each end goes, write the program, then check.',
};

/** What a learner does first at the bench. */
export const beginningText = ({ screenOrBench }: Pick<HouseRules, 'screenOrBench'>): string =>
  BEGINNINGS[screenOrBench];
