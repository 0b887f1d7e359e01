import { readdirSync, readFileSync } from 'node:fs';
import { formOf, readExercise, solvedByAuthor, type Exercise } from '../formats/exercise';

/** The demo course's exercises with all their forms, as tests use them. */
export const courseExercises: readonly { readonly name: string; readonly exercise: Exercise }[] = readdirSync(
  'demo/course',
)
  .filter((file) => file.endsWith('.json'))
  .sort()
  .flatMap((file) => {
    const read = readExercise(readFileSync(`demo/course/${file}`, 'utf8'));
    if (!read.ok) throw new Error(`${file}: ${read.problems[0]?.message ?? ''}`);
    const forms = (read.value.data.forms ?? []).map(({ name }) => {
      const form = formOf(read.value.data, name);
      if (!form.ok) throw new Error(`${file}: ${name}: ${form.problems[0]?.message ?? ''}`);
      return { name: `${read.value.data.id}, ${name}`, exercise: form.value };
    });
    return [{ name: read.value.data.id, exercise: solvedByAuthor(read.value) }, ...forms];
  });
