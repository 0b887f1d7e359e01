import { z } from 'zod';
import { schemaProblems } from '../json';
import { shippedBoards } from '../boards';
import { ref } from '../brand';
import { breadboards } from '../breadboards';
import { DEFAULT_RULES, taskFrom, type PlacementRules, type PlacementTask } from '../plan/placement';
import { fail, type Result } from '../result';
import type { ExerciseData } from './exercise';

/** The house rules on layouts that an exercise may override; others in its `rules` are for others to read. */
const ownRulesSchema = z.looseObject({
  groundRail: z.enum(['always', 'shared']).optional(),
  cathode: z.enum(['own-row', 'into-rail']).optional(),
});

/** The placement task of an exercise: its parts and nets on the breadboards that it lists. */
export function taskOf(
  data: ExerciseData,
  courseRules: PlacementRules = DEFAULT_RULES,
): Result<PlacementTask> {
  const own = ownRulesSchema.safeParse(data.rules);
  if (!own.success)
    return fail(
      ...schemaProblems(own.error).map((problem) => ({ ...problem, path: `rules.${problem.path ?? ''}` })),
    );
  const { groundRail = courseRules.groundRail, cathode = courseRules.cathode } = own.data;
  const rules: PlacementRules = { ...courseRules, groundRail, cathode };
  const profile = shippedBoards.get(data.board);
  if (!profile) return fail({ message: `“${data.board}” is no known board`, path: 'board' });
  const board = data.parts.find((part) => part.kind === 'board');
  const sheets: PlacementTask['breadboards'][number][] = [];
  for (const [index, part] of data.parts.entries()) {
    if (part.kind !== 'breadboard') continue;
    const model = breadboards.get(part.value.toLowerCase());
    if (!model)
      return fail({
        message: `“${part.value}” is no known breadboard; known are ${[...breadboards.keys()].join(', ')}`,
        path: `parts[${index}].value`,
      });
    sheets.push({ ref: ref(part.ref), model });
  }
  if (sheets.length === 0)
    return fail({
      message: 'there is no breadboard among the parts to lay the circuit out on',
      path: 'parts',
    });
  return taskFrom(data, { ref: ref(board?.ref ?? 'U1'), profile }, sheets, rules);
}
