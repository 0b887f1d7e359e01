import { writeSvg } from '../drawing/svg';
import type { Block, Figure, Handout } from './document';

/** A picture of a handout as a file beside it: an SVG of ours as text, the author's own as it is. */
export interface PictureFile {
  readonly name: string;
  readonly content: string | Uint8Array;
}

/**
 * A handout as Markdown, with its pictures as SVG files that it names; `folder` is where they lie, seen from it. Text is
 * written so that nothing in it is taken for a sign of the format.
 */
export function markdownOf(
  { title, subtitle, sections, photos }: Handout,
  folder = 'pictures',
): { readonly text: string; readonly pictures: readonly PictureFile[] } {
  const pictures: PictureFile[] = [];
  const picture = ({ drawing, title: shows }: Figure): string => {
    const name = `picture-${pictures.length + 1}.svg`;
    pictures.push({ name, content: writeSvg(drawing, shows) });
    return `![${plain(shows)}](${folder}/${name})`;
  };
  const photo = (id: string, caption: string): string => {
    const own = photos?.get(id);
    if (!own) return plain(caption);
    const name = `${id}.${own.type === 'image/png' ? 'png' : 'jpg'}`;
    pictures.push({ name, content: own.bytes });
    return `![${plain(caption)}](${folder}/${name})`;
  };
  const parts = sections.flatMap((section) => [
    `## ${plain(section.title)}`,
    ...section.blocks.map((block) =>
      block.type === 'photo' ? photo(block.id, block.caption) : written(block, picture),
    ),
  ]);
  return { text: `${[`# ${plain(title)}`, plain(subtitle), ...parts].join('\n\n')}\n`, pictures };
}

function written(block: Exclude<Block, { type: 'photo' }>, picture: (figure: Figure) => string): string {
  switch (block.type) {
    case 'text':
      return plain(block.text);
    case 'caution':
      return `> **Take care:** ${plain(block.text)}`;
    case 'list': {
      const sign = { dots: () => '-', boxes: () => '- [ ]', numbers: (at: number) => `${at + 1}.` }[
        block.marks
      ];
      return block.items.map((item, index) => `${sign(index)} ${plain(item)}`).join('\n');
    }
    case 'table':
      return [
        row(block.head),
        row(block.head.map(() => '---')),
        ...block.rows.map((cells) => row(cells.map(plain))),
      ].join('\n');
    case 'figure':
      return [picture(block.figure), ...(block.caption === undefined ? [] : [plain(block.caption)])].join(
        '\n\n',
      );
    case 'pair':
      return block.pair.map(({ figure, caption }) => `${picture(figure)}\n\n${plain(caption)}`).join('\n\n');
    case 'part':
      return [
        `**${plain(block.title)}**`,
        ...(block.figure ? [picture(block.figure)] : []),
        ...(block.lines.length > 0 ? [block.lines.map((line) => `- ${plain(line)}`).join('\n')] : []),
      ].join('\n\n');
    case 'step':
      return [
        `**${block.number}. ${plain(block.text)}**`,
        ...block.cautions.map((caution) => `> **Take care:** ${plain(caution)}`),
        picture(block.figure),
        `Look: ${plain(block.checkpoint)}`,
      ].join('\n\n');
    case 'program':
      return block.lines.some(({ says }) => says !== undefined)
        ? [
            row(['line', 'program', 'what it does']),
            row(['---', '---', '---']),
            ...block.lines.map(({ text, says = '' }, index) =>
              row([String(index + 1), text.trim() === '' ? '' : code(text), plain(says)]),
            ),
          ].join('\n')
        : `${fence(block.lines)}\n${block.lines.map(({ text }) => text).join('\n')}\n${fence(block.lines)}`;
    case 'cards':
      return block.cards
        .map(({ title, lines, figure, blanks = 0 }) =>
          [
            `**${plain(title)}**`,
            ...(figure ? [picture(figure)] : []),
            ...lines.map(plain),
            ...Array.from({ length: blanks }, () => '\\_'.repeat(24)),
          ].join('\n\n'),
        )
        .join('\n\n---\n\n');
    case 'lines':
      return Array.from({ length: block.count }, () => '\\_'.repeat(24)).join('\n\n');
    case 'address':
      return `${plain(block.says)} <${block.address}>`;
  }
}

/** A text in which no sign means anything. */
const plain = (text: string): string =>
  text
    .replace(/[\\`*_{}[\]<>#|]/g, '\\$&')
    .replace(/^(\s*)([-+]|\d+\.)(?=\s)/, '$1\\$2')
    .replace(/\n+/g, '  \n');

/** A line of a program between so many back ticks as it needs. */
function code(text: string): string {
  const longest = Math.max(0, ...[...text.matchAll(/`+/g)].map(([run]) => run.length));
  const ticks = '`'.repeat(longest + 1);
  return `${ticks}${longest > 0 ? ' ' : ''}${text.replaceAll('|', '\\|')}${longest > 0 ? ' ' : ''}${ticks}`;
}

const fence = (lines: readonly { readonly text: string }[]): string =>
  '`'.repeat(Math.max(3, ...lines.map(({ text }) => (/^`+/.exec(text.trim())?.[0].length ?? 0) + 1)));

const row = (cells: readonly string[]): string =>
  `| ${cells.map((cell) => cell.replace(/\n/g, ' ')).join(' | ')} |`;
