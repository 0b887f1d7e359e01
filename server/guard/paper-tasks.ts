import { exerciseFrom } from '@/core/formats/exercise';
import { makeHandout, type HandoutWish } from '@/core/handout';
import type { Handout } from '@/core/handout/document';
import { kitPapers, type KitPapersWish } from '@/core/handout/kit-papers';
import { markdownOf } from '@/core/handout/markdown';
import type { Paper } from '@/core/handout/papers';
import type { Supply } from '@/core/kit/stock';
import { problemText } from '@/core/result';
import { nodeGrammars } from '@/grammars/node';
import { pdfOf } from '@/print';

/** What a handout is made of. */
interface HandoutInput {
  readonly exercise: unknown;
  /** The exercise before it, whose build may still stand. */
  readonly before?: unknown;
  readonly wish: Omit<HandoutWish, 'before'>;
}

interface Pages {
  readonly paper: Paper;
  readonly columns: 1 | 2;
}

async function handoutFrom({ exercise: data, before, wish }: HandoutInput): Promise<Handout> {
  const exercise = exerciseFrom(data);
  if (!exercise.ok) throw new Error(`the exercise cannot be read: ${problemText(exercise.problems[0]!)}`);
  const last = before === undefined ? undefined : exerciseFrom(before);
  return makeHandout(
    exercise.value,
    { ...wish, before: last?.ok ? last.value : undefined },
    await nodeGrammars(),
  );
}

/** Handouts as PDF, in base 64: answers are text. */
const printed = async (handouts: readonly Handout[], pages: Pages): Promise<string> =>
  (await pdfOf(handouts, pages)).toString('base64');

/** What is put on paper. */
export const paperTasks = {
  handout: async ({ paper, columns, ...input }: HandoutInput & Pages): Promise<string> =>
    printed([await handoutFrom(input)], { paper, columns }),
  handoutOf: handoutFrom,
  handoutFiles: async (input: HandoutInput): Promise<ReturnType<typeof markdownOf>> =>
    markdownOf(await handoutFrom(input)),
  printHandouts: ({
    handouts,
    ...pages
  }: Pages & { readonly handouts: readonly Handout[] }): Promise<string> => printed(handouts, pages),
  kitPapers: async ({
    supplies,
    wish,
  }: {
    readonly supplies: readonly Supply[];
    readonly wish: KitPapersWish;
  }): Promise<string> => printed([kitPapers(supplies, wish)], { paper: 'A4', columns: 1 }),
};
