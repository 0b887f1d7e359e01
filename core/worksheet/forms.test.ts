import { describe, expect, test } from 'vitest';
import { DEFAULT_HOUSE_RULES } from '../course/house-rules';
import { formOf } from '../formats/exercise';
import { courseExercises } from '../testing/course';
import { applyChanges } from './change';
import { exchangedForm, nameOfForm, USUAL_FORM, withForm, withoutForm } from './forms';
import { settle, sheetOf, type Sheet } from './sheet';

const rules = DEFAULT_HOUSE_RULES;
const sheetFor = (name: string): Sheet => {
  const { data } = courseExercises.find((one) => one.name === name)!.exercise;
  const sheet = sheetOf(data, rules);
  if (!sheet.ok) throw new Error(sheet.problems[0]!.message);
  return sheet.value;
};
const after = (sheet: Sheet, changes: ReturnType<typeof exchangedForm>): Sheet => {
  if (!changes.ok) throw new Error(changes.problems[0]!.message);
  const done = applyChanges(sheet, changes.value);
  expect(done.overtaken).toEqual([]);
  const settled = settle(done.sheet, rules, 'as it is');
  if (!settled.ok) throw new Error(settled.problems[0]!.message);
  return settled.value.sheet;
};

describe('another form of an exercise', () => {
  test.each(
    courseExercises.flatMap(({ name, exercise }) =>
      (exercise.data.forms ?? []).map((form) => [name, form.name] as const),
    ),
  )('%s: “%s” is brought onto the sheet whole, and back', (name, form) => {
    const sheet = sheetFor(name);
    const wanted = formOf(sheet, form);
    if (!wanted.ok) throw new Error(wanted.problems[0]!.message);
    const there = after(sheet, exchangedForm(sheet, form, rules));
    const refs = ({ parts }: Sheet): readonly string[] =>
      parts.map(({ ref, kind, value }) => `${ref} ${kind} ${value}`).sort();
    expect(refs(there)).toEqual(refs(wanted.value.data as Sheet));
    expect(there.program).toBe(wanted.value.data.program);
    expect(there.scenarios).toEqual(wanted.value.data.scenarios);
    expect(there.board).toBe(wanted.value.data.board);
    expect(nameOfForm(there)).toBe(form);
    expect(there.forms!.map((one) => one.name)).toContain(USUAL_FORM);

    const back = after(there, exchangedForm(there, USUAL_FORM, rules));
    expect(refs(back)).toEqual(refs(sheet));
    expect(back).toMatchObject({ program: sheet.program, board: sheet.board, layout: sheet.layout });
    expect(back.forms!.map((one) => one.name)).toEqual(sheet.forms!.map((one) => one.name));
  });

  test('begins as what stands on the sheet, under a name of its own', () => {
    const sheet = sheetFor('beacon');
    const kept = after(sheet, withForm(sheet, ' at 3.3 V '));
    expect(kept.forms).toHaveLength(1);
    const form = formOf(kept, 'at 3.3 V');
    expect(form.ok && form.value.data.program).toBe(sheet.program);
    for (const name of ['', '  ', 'at 3.3 V', USUAL_FORM])
      expect(withForm(kept, name).ok, `“${name}”`).toBe(false);
    expect(applyChanges(kept, withoutForm(kept, 'at 3.3 V')).sheet.forms).toEqual([]);
  });

  test('that is gone cannot be brought', () => {
    const sheet = sheetFor('beacon');
    expect(exchangedForm(sheet, 'no such form', rules).ok).toBe(false);
  });
});
