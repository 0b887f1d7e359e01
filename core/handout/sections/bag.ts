import { drawPartAlone } from '../../drawing/part-card';
import { fourBands } from '../../electrics/values/bands';
import type { Task } from '../../generated/task';
import { kindOf } from '../../parts';
import { capital, listText, uncapital } from '../../words/words';
import type { Block, Section } from '../document';

/** Parts with their pictures; wires, which are many and alike, in one line. */
export function bag({ parts, cautions }: Task): Section {
  const isWire = ({ kind }: Task['parts'][number]): boolean => kindOf(kind).conductor;
  const wires = parts.filter(isWire).map(({ refs, title }) => counted(refs.length, title));
  return {
    title: 'In the bag',
    blocks: [
      ...parts
        .filter((part) => !isWire(part))
        .map(({ refs, kind, value, title, ohms, knownBy }): Block => {
          const drawing = drawPartAlone(kind, value);
          const warnings = cautions.flatMap(({ when, refs: about, text }) =>
            when === 'with-parts' && about.some((ref) => refs.includes(ref)) ? [text] : [],
          );
          return {
            type: 'part',
            title: `${capital(counted(refs.length, title))}, ${listText(refs)}`,
            lines: [
              ...(ohms === undefined ? [] : [`Bands: ${listText(fourBands(ohms).map(String))}.`]),
              ...knownBy.map(capital),
              ...readyLines(kind),
              ...warnings,
            ],
            ...(drawing ? { figure: { drawing, title } } : {}),
          };
        }),
      ...(wires.length > 0 ? [{ type: 'text', text: `${capital(listText(wires))}.` } as const] : []),
    ],
  };
}

/** How a part is made ready, and tried before it goes in. */
function readyLines(name: string): readonly string[] {
  const { preparation, pretest } = kindOf(name);
  return [
    ...(preparation === undefined ? [] : [`Make ready: ${uncapital(preparation)}`]),
    ...(pretest === undefined ? [] : [`Try it: ${uncapital(pretest)}`]),
  ];
}

const counted = (count: number, title: string): string => (count === 1 ? title : `${count} × ${title}`);
