import * as z from 'zod';
import { expectationSchema, partsOfExpectation } from '../expectations';
import { stimulusSchema, touchedBy } from '../stimuli';

export const scenarioSchema = z.object({
  name: z.string().min(1).max(200),
  /** Seconds that it runs. */
  for: z.number().positive().max(600),
  /** What it is worth in the marks; 1 where nothing is said. */
  points: z.number().min(0).max(100).optional(),
  stimuli: z.array(stimulusSchema).max(200).default([]),
  expect: z.array(expectationSchema).min(1).max(60),
});
export type Scenario = Readonly<z.infer<typeof scenarioSchema>>;

/** What a scenario is worth in the marks. */
export const pointsOf = (scenario: Pick<Scenario, 'points'> | undefined): number => scenario?.points ?? 1;

/** Every part that a scenario speaks of, and whether by what is done or by what must come of it. */
export const partsNamedIn = ({
  stimuli,
  expect,
}: Scenario): readonly { readonly name: string; readonly by: 'stimuli' | 'expect' }[] => [
  ...stimuli.flatMap((stimulus) => {
    const touched = touchedBy(stimulus);
    return touched ? [{ name: touched.name, by: 'stimuli' as const }] : [];
  }),
  ...expect.flatMap((expectation) =>
    partsOfExpectation(expectation).map((name) => ({ name, by: 'expect' as const })),
  ),
];
