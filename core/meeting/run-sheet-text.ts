import Papa from 'papaparse';
import { LOCAL_RULES } from '../plan/cautions';
import { capital, howMany } from '../words/words';
import type { Checklists } from './checklists';
import type { Fit } from './fit';
import type { RunSheet } from './run-sheet';

/** Minutes as a clock shows them from the start: `0:05`. */
export const clockText = (minutes: number): string => {
  const whole = Math.round(minutes);
  return `${Math.floor(whole / 60)}:${String(whole % 60).padStart(2, '0')}`;
};

/** Minutes of a stretch: `4½ min`. */
export const minutesText = (minutes: number): string => {
  const halves = Math.round(minutes * 2);
  const whole = Math.floor(halves / 2);
  return `${whole > 0 || halves % 2 === 0 ? whole : ''}${halves % 2 === 1 ? '½' : ''} min`;
};

/** A run sheet as CSV, for whoever plans in a spreadsheet. */
export function runSheetCsv({ steps }: RunSheet): string {
  let at = 0;
  const rows = steps.map(({ title, phase, minutes, madeOf, does, cautions }) => {
    const begins = clockText(at);
    at += minutes;
    return [begins, minutes, phase, title, does, madeOf, cautions.join(' ')];
  });
  return `${Papa.unparse([['from', 'minutes', 'phase', 'title', 'what', 'made of', 'cautions'], ...rows], { escapeFormulae: true, newline: '\r\n' })}\r\n`;
}

/** A run sheet as a page of text. */
export function runSheetMarkdown(
  title: string,
  { steps, benches, minutes }: RunSheet,
  lists: Checklists,
  fit: Fit | undefined,
): string {
  const ticks = (items: readonly string[]): string => items.map((item) => `- [ ] ${item}`).join('\n');
  let at = 0;
  const rows = steps.map((step) => {
    const begins = clockText(at);
    at += step.minutes;
    return `| ${begins} | ${minutesText(step.minutes)} | ${cell(step.title)} | ${cell([step.does, ...step.cautions.map((caution) => `**${caution}**`)].join(' '))} | ${cell(step.madeOf)} |`;
  });
  return [
    `# Run sheet: ${title}`,
    `${capital(howMany(benches, 'bench'))}, ${minutesText(minutes)}.${fit ? ` ${fitText(fit)}` : ''}`,
    ...(fit && fit.over > 0
      ? [
          fit.cuts
            .map(
              ({ title: what, savesMinutes, costs }) =>
                `- ${what}: saves ${minutesText(savesMinutes)}. ${costs}`,
            )
            .join('\n'),
        ]
      : []),
    `## Before class\n\n${ticks(lists.before)}`,
    `## At the start\n\n${ticks(lists.start)}`,
    `## The meeting\n\n| from | for | | what | made of |\n| ---: | ---: | --- | --- | --- |\n${rows.join('\n')}`,
    `## Packing up\n\n${ticks(lists.end)}`,
    LOCAL_RULES,
    '',
  ].join('\n\n');
}

const cell = (text: string): string => text.replaceAll('|', '\\|').replaceAll('\n', ' ');

/** Whether it fits, in a sentence. */
export const fitText = ({ minutes, available, over }: Fit): string =>
  over === 0
    ? `It fits into ${minutesText(available)}, with ${minutesText(available - minutes)} to spare.`
    : `It is ${minutesText(over)} longer than the ${minutesText(available)} that there are.`;
