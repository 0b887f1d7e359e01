import type { Exercise } from '../../formats/exercise';
import { kindOf } from '../../parts';
import { expectationSentence, type Expectation } from '../../expectations';
import { capital, listText } from '../../words/words';
import type { Block, Section } from '../document';

/** How a build of many parts is put together: piece by piece, what is centred before, and the fasteners of each. */
export function assembly({ data, reference }: Exercise): Section | undefined {
  const { assemblies = [] } = data;
  if (assemblies.length === 0) return undefined;
  const centred = reference.parts.filter(({ kind, value }) => kindOf(kind).spokenTo?.(value) === 'angle');
  return {
    title: 'Put it together',
    blocks: [
      ...(centred.length > 0
        ? [
            {
              type: 'caution',
              text: `Centre ${listText(centred.map(({ ref }) => ref))} before anything is screwed on: power it, let it go to 90°, unplug it.`,
            } as const,
          ]
        : []),
      ...assemblies.flatMap(({ name, refs, steps, fasteners }, index): readonly Block[] => [
        {
          type: 'part',
          title: `${index + 1}. ${name}`,
          lines: [
            ...(refs.length > 0 ? [`Parts: ${listText(refs)}.`] : []),
            ...(fasteners.length > 0
              ? [`Fasteners: ${listText(fasteners.map(({ what, count }) => `${count} × ${what}`))}.`]
              : []),
          ],
        },
        ...(steps.length > 0 ? [{ type: 'list', marks: 'boxes', items: steps } as const] : []),
      ]),
    ],
  };
}

/** What is found on each bench and kept: to be filled in, or as the bench has it. */
export function calibration({ data }: Exercise, kept: ReadonlyMap<string, number>): Section | undefined {
  const { calibrations = [] } = data;
  if (calibrations.length === 0) return undefined;
  return {
    title: 'Calibration of this bench',
    blocks: [
      { type: 'text', text: 'Find each value, write it down, and put it into your program.' },
      {
        type: 'table',
        head: ['what', 'usually', 'here'],
        rows: calibrations.map(({ name, ref, unit, from, to }) => [
          ref === undefined ? name : `${name}, ${ref}`,
          rangeText(from, to, unit),
          kept.has(name) ? `${kept.get(name)!} ${unit}`.trim() : '',
        ]),
      },
    ],
  };
}

function rangeText(from: number | undefined, to: number | undefined, unit: string): string {
  const of = unit === '' ? '' : ` ${unit}`;
  if (from !== undefined && to !== undefined) return `${from} to ${to}${of}`;
  if (from !== undefined) return `at least ${from}${of}`;
  return to === undefined ? '' : `at most ${to}${of}`;
}

/** For each key that is sent to the board, what must be seen: the exercise's own scenarios, as a table. */
export function keyTable({ data }: Exercise): Section | undefined {
  const rows = data.scenarios.flatMap(({ stimuli, expect, for: seconds }) =>
    stimuli.flatMap((stimulus, index) => {
      if (!('serial' in stimulus)) return [];
      const next = stimuli.slice(index + 1).find((later) => 'serial' in later && later.at > stimulus.at);
      const seen = expect.filter((expectation) => {
        const [from, to] = windowOf(expectation);
        // A text without a time may have come of any key.
        if ('serial' in expectation && from === undefined && to === undefined && next !== undefined)
          return false;
        const moment = to ?? seconds;
        return (
          (from ?? moment) >= stimulus.at && moment > stimulus.at && (next === undefined || moment <= next.at)
        );
      });
      return seen.length === 0
        ? []
        : [[keyText(stimulus.serial), seen.map((one) => capital(expectationSentence(one))).join('. ')]];
    }),
  );
  return rows.length === 0
    ? undefined
    : { title: 'Key and action', blocks: [{ type: 'table', head: ['key', 'what must be seen'], rows }] };
}

/** When an expectation is judged, as far as it says so; some have a part where others have a time. */
function windowOf(expectation: Expectation): readonly [from: number | undefined, to: number | undefined] {
  const from = 'from' in expectation ? expectation.from : undefined;
  const to = 'to' in expectation ? expectation.to : undefined;
  return [typeof from === 'number' ? from : undefined, typeof to === 'number' ? to : undefined];
}

const keyText = (typed: string): string => typed.replace(/[\r\n]+$/, '') || 'Enter';
