import { titleOf } from '../kit';
import { pickList, type Supply } from '../kit/stock';
import { benchesOf } from '../meeting/benches';
import { howMany, listText } from '../words/words';
import type { Handout } from './document';

/** For whom kit papers are. */
export interface KitPapersWish {
  readonly title: string;
  /** Class, day and hour. */
  readonly subtitle: string;
  readonly names: readonly string[];
  readonly perBench: number;
  /** Values that were found on benches, by the name of who sits there. */
  readonly values?: ReadonlyMap<string, string>;
  /** Names of boards that people made themselves. */
  readonly boards?: ReadonlyMap<string, string>;
}

/** What is carried to the drawers before a meeting: the pick list, and a label for each bag. */
export function kitPapers(
  supplies: readonly Supply[],
  { title, subtitle, names, perBench, boards, values = new Map() }: KitPapersWish,
): Handout {
  const benches = benchesOf(names, perBench);
  const label = supplies.map(({ need }) => `${need.perBench} × ${titleOf(need.item, boards)}`);
  return {
    title,
    subtitle,
    form: 'instructor',
    sections: [
      {
        title: 'Pick list',
        blocks: [
          {
            type: 'table',
            head: ['drawer', 'take', 'together', 'of these spares', 'short'],
            rows: pickList(supplies).flatMap(({ drawer, lines }) =>
              lines.map(({ item, count, short }, index) => [
                index === 0 ? drawer || 'none' : '',
                titleOf(item, boards),
                String(count),
                String(supplies.find(({ need }) => need.item === item)?.need.spares ?? 0),
                short === 0 ? '' : String(short),
              ]),
            ),
          },
        ],
      },
      {
        title: `Labels for ${howMany(benches.length, 'bag')}`,
        blocks:
          benches.length === 0
            ? []
            : [
                {
                  type: 'cards',
                  size: 'label',
                  cards: benches.map(({ number, names: own }) => ({
                    title: `${number} · ${listText(own)}`,
                    lines: [title, label.join(' · ')],
                  })),
                },
              ],
      },
      {
        title: 'Values of the benches',
        blocks:
          values.size === 0
            ? []
            : [
                {
                  type: 'table',
                  head: ['bench', 'who', 'values'],
                  rows: benches.flatMap(({ number, names: own }) =>
                    own.map((name, index) => [
                      index === 0 ? String(number) : '',
                      name,
                      values.get(name) ?? '',
                    ]),
                  ),
                },
              ],
      },
    ].filter(({ blocks }) => blocks.length > 0) as Handout['sections'],
  };
}
