import { DEFAULT_HOUSE_RULES, rulesWith } from '@/core/course/house-rules';
import type { Exercise } from '@/core/formats/exercise';
import { cardOf, cardsToPrint } from '@/core/course/concepts';
import { makeHandout, type HandoutWish } from '@/core/handout';
import type { Handout, HandoutForm } from '@/core/handout/document';
import { markdownOf } from '@/core/handout/markdown';
import { nodeGrammars } from '@/grammars/node';
import type { Paper } from '@/core/handout/papers';
import { pdfOf } from '@/print';
import { exercisesIn } from './lesson';

/** How handouts are asked for. */
export interface HandoutOrder {
  readonly form: HandoutForm;
  readonly paper: Paper;
  readonly columns: 1 | 2;
  readonly address: string | undefined;
  readonly extras: readonly ('tour' | 'bands')[];
}

async function handout(
  exercise: Exercise,
  number: number | undefined,
  order: HandoutOrder,
  inCourse: Pick<HandoutWish, 'before' | 'cards'> = {},
): Promise<Handout> {
  const own = rulesWith(DEFAULT_HOUSE_RULES, exercise.data.rules);
  return makeHandout(
    exercise,
    {
      form: order.form,
      rules: own.ok ? own.value : DEFAULT_HOUSE_RULES,
      place: number === undefined ? 'Handout' : `Exercise ${number}`,
      address: order.address,
      extras: order.extras,
      ...inCourse,
    },
    await nodeGrammars(),
  );
}

/** The handout of one exercise as PDF. */
export const handoutPdf = async (exercise: Exercise, order: HandoutOrder): Promise<Uint8Array> =>
  pdfOf([await handout(exercise, undefined, order)], order);

/** The handout of one exercise as Markdown, its pictures in it, so that it is one file. */
export async function handoutMarkdown(exercise: Exercise, order: HandoutOrder): Promise<string> {
  const { text, pictures } = markdownOf(await handout(exercise, undefined, order));
  return pictures.reduce(
    (whole, { name, content }) =>
      whole.replace(
        `pictures/${name}`,
        `data:image/svg+xml;base64,${Buffer.from(content as string).toString('base64')}`,
      ),
    text,
  );
}

/** The handouts of all exercises of a folder, in the order of their names, in one PDF with its contents. */
export async function booklet(path: string, folder: string, order: HandoutOrder): Promise<Uint8Array> {
  const handouts: Handout[] = [];
  const exercises = await exercisesIn(path, folder);
  const cards = cardsToPrint(exercises.map(({ data }) => data));
  for (const [index, exercise] of exercises.entries())
    handouts.push(
      await handout(exercise, index + 1, order, {
        before: exercises[index - 1],
        cards: cards[index]!.map((concept) => cardOf(concept, {})),
      }),
    );
  return pdfOf(handouts, order);
}
