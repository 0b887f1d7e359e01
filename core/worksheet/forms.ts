import type { HouseRules } from '../course/house-rules';
import type { ExerciseData } from '../formats/exercise';
import { ok, fail, type Result } from '../result';
import { fieldChanges, linesReplaced, type Change } from './change';
import { sheetOf, type Sheet } from './sheet';

/** Another form of an exercise: the same aim on another board, in another language, with other parts. */
export type Form = NonNullable<ExerciseData['forms']>[number];

/** What the form that is on a sheet is called when it has no name of its own. */
export const USUAL_FORM = 'usual form';

/** What stands on a sheet as a form of that name. */
const formFrom = (sheet: Sheet, name: string): Form => ({
  name,
  board: sheet.board,
  ...(sheet.language === undefined ? {} : { language: sheet.language }),
  parts: sheet.parts,
  nets: sheet.nets,
  ...(sheet.layout === undefined ? {} : { layout: sheet.layout }),
  program: sheet.program,
  scenarios: sheet.scenarios,
});

/** The name of the form that is on the sheet. */
export const nameOfForm = ({ formName }: Sheet): string => formName ?? USUAL_FORM;

/** The changes that keep what stands on the sheet as another form, to be worked on from there; refused for a taken name. */
export function withForm(sheet: Sheet, name: string): Result<readonly Change[]> {
  const problem = nameProblem(sheet, name);
  if (problem !== undefined) return fail({ message: problem });
  return ok(fieldChanges(sheet, { forms: [...(sheet.forms ?? []), formFrom(sheet, name.trim())] }));
}

/** The changes that take a form away. */
export const withoutForm = (sheet: Sheet, name: string): readonly Change[] =>
  fieldChanges(sheet, { forms: (sheet.forms ?? []).filter((form) => form.name !== name) });

/** Why a form cannot be called so; `undefined` when it can. */
export function nameProblem(sheet: Sheet, name: string): string | undefined {
  const given = name.trim();
  if (given === '') return 'Give the form a name, such as the board that it is for.';
  const taken = [nameOfForm(sheet), ...(sheet.forms ?? []).map((form) => form.name)];
  return taken.includes(given) ? `There is a form called “${given}” already.` : undefined;
}

/**
 * The changes that bring a form onto the sheet, where it can be worked on as any exercise, and put what stood there
 * among the forms in its place. Doing it again with the other name gives back what was.
 */
export function exchangedForm(
  sheet: Sheet,
  name: string,
  courseRules: HouseRules,
): Result<readonly Change[]> {
  const form = sheet.forms?.find((candidate) => candidate.name === name);
  if (!form) return fail({ message: `There is no form called “${name}” any more.` });
  const { name: formName, ...differs } = form;
  const said = sheetOf({ ...sheet, ...differs, lines: undefined }, courseRules);
  if (!said.ok) return said;
  const now = said.value;
  const models = ({ parts }: Sheet): readonly string[] =>
    parts.filter(({ kind }) => kind === 'breadboard').map(({ value }) => value);
  return ok([
    ...linesReplaced(sheet, now.lines, 'f'),
    ...fieldChanges(sheet, {
      board: now.board,
      language: now.language,
      breadboards: models(now),
      layout: now.layout,
      held: [],
      program: now.program,
      scenarios: now.scenarios,
      formName,
      forms: (sheet.forms ?? []).map((other) =>
        other === form ? formFrom(sheet, nameOfForm(sheet)) : other,
      ),
    }),
  ]);
}
