import { findingCodes, rowOf, type Domain } from '@/core/findings/table';

const headings: readonly (readonly [Domain, string])[] = [
  ['wiring', 'Wiring'],
  ['program', 'Program'],
  ['behaviour', 'Behaviour'],
  ['check', 'About the check'],
];
const BEGIN = '<!-- made of core/findings/table.ts by npm run findings -->';
const END = '<!-- end -->';

/** The table of findings as Markdown. */
export const findingsTable = (): string =>
  headings
    .map(([domain, heading]) => {
      const rows = findingCodes
        .map((code) => ({ code, ...rowOf(code) }))
        .filter((row) => row.domain === domain)
        .map(({ code, title, families, isHazard, needsRewriting, isRefused, isAnotherBuild }) => [
          `\`${code}\``,
          title,
          Object.entries(families ?? {})
            .map(([family, place]) => `${family} ${place}`)
            .join(', '),
          [
            isHazard && 'hazard',
            needsRewriting && 'needs rewriting',
            isRefused && 'refused by the board’s software',
            isAnotherBuild && 'another build',
          ]
            .filter(Boolean)
            .join(', '),
        ]);
      return [
        `### ${heading}`,
        '',
        ...[['code', 'title', 'family and place', ''], ['---', '---', '---', '---'], ...rows].map(
          (cells) => `| ${cells.join(' | ')} |`,
        ),
      ].join('\n');
    })
    .join('\n\n');

/** A document with the table of findings between its marks; throws when it has no marks. */
export function withFindingsTable(document: string): string {
  const [begin, end] = [document.indexOf(BEGIN), document.indexOf(END)];
  if (begin < 0 || end < begin) throw new Error('The document has no place for the table of findings.');
  return `${document.slice(0, begin + BEGIN.length)}\n\n${findingsTable()}\n\n${document.slice(end)}`;
}
