import { listText } from '../words/words';
import { runSheet, type MeetingPlan, type Preparation, type RunSheet } from './run-sheet';

/** Something that can be left out or done before, with what that costs. */
export interface Cut {
  readonly id: Preparation | 'last-exercise';
  readonly title: string;
  readonly savesMinutes: number;
  readonly costs: string;
}

/** Whether a meeting is long enough. */
export interface Fit {
  readonly minutes: number;
  readonly available: number;
  /** Minutes that are missing, 0 when it fits. */
  readonly over: number;
  /** What can be cut, what costs least first. */
  readonly cuts: readonly Cut[];
  /** The fewest of them, in their order, with which it fits; all when none will do. */
  readonly enough: readonly Cut['id'][];
}

/** Minutes to check one bag before class. */
const MINUTES_A_BAG = 1.5;

/** Whether a plan fits into so many minutes, and what to cut when it does not. */
export function fitOf(plan: MeetingPlan, sheet: RunSheet, available: number): Fit {
  const over = Math.max(0, sheet.minutes - available);
  const cuts = over === 0 ? [] : cutsOf(plan, sheet);
  const enough: Cut['id'][] = [];
  let left = over;
  for (const { id, savesMinutes } of cuts) {
    if (left <= 0) break;
    enough.push(id);
    left -= savesMinutes;
  }
  return { minutes: sheet.minutes, available, over, cuts, enough };
}

/** The plan with some of its cuts made. */
export const withCuts = (plan: MeetingPlan, ids: readonly Cut['id'][]): MeetingPlan => ({
  ...plan,
  exercises: ids.includes('last-exercise') ? plan.exercises.slice(0, -1) : plan.exercises,
  prepared: [...(plan.prepared ?? []), ...ids.filter((id) => id !== 'last-exercise')],
});

function cutsOf(plan: MeetingPlan, { minutes, benches }: RunSheet): readonly Cut[] {
  const saves = (id: Cut['id']): number => minutes - runSheet(withCuts(plan, [id])).minutes;
  const last = plan.exercises.at(-1)?.exercise.data;
  const concepts = last?.concepts.introduces.map((concept) => concept.replaceAll('-', ' ')) ?? [];
  const candidates: readonly Omit<Cut, 'savesMinutes'>[] = [
    {
      id: 'bags-checked',
      title: 'Check the bags before class',
      costs: `About ${Math.ceil(benches * MINUTES_A_BAG)} minutes of somebody’s time before it.`,
    },
    {
      id: 'no-predictions',
      title: 'Leave out “Say it first, then try”',
      costs: 'Nobody says what a number does before it is seen: ask one question of the whole class instead.',
    },
    {
      id: 'program-given',
      title: 'Hand out the whole program',
      costs: 'It is read instead of written: let everybody change one line of it.',
    },
    ...(plan.exercises.length > 1 && last
      ? [
          {
            id: 'last-exercise',
            title: `Move ${last.title} to the next meeting`,
            costs:
              concepts.length > 0
                ? `${listText(concepts)} ${concepts.length === 1 ? 'comes' : 'come'} a meeting later, and so does everything that needs ${concepts.length === 1 ? 'it' : 'them'}.`
                : 'It is practice: nothing later waits for it.',
          } as const,
        ]
      : []),
  ];
  return candidates
    .filter(({ id }) => !plan.prepared?.some((done) => done === id))
    .map((cut) => ({ ...cut, savesMinutes: saves(cut.id) }))
    .filter(({ savesMinutes }) => savesMinutes > 0);
}
