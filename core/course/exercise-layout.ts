import { ref } from '../brand';
import { breadboards } from '../breadboards';
import { DEFAULT_HOUSE_RULES, placementRules, rulesWith, type HouseRules } from './house-rules';
import { taskFrom, type PlacementTask } from '../plan/placement';
import { fail, type Result } from '../result';
import { isBoard } from '../boards';
import { boardOf, type ExerciseData } from '../formats/exercise';

/** The placement task of an exercise: its parts and nets on the breadboards that it lists. */
export function taskOf(
  data: ExerciseData,
  courseRules: HouseRules = DEFAULT_HOUSE_RULES,
): Result<PlacementTask> {
  const house = rulesWith(courseRules, data.rules);
  if (!house.ok) return house;
  const rules = placementRules(house.value);
  const profile = boardOf(data);
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
  return taskFrom(
    data,
    isBoard(profile) ? { ref: ref(board?.ref ?? 'U1'), profile } : undefined,
    sheets,
    rules,
  );
}
