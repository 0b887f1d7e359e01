import { listText } from '../words/words';
import type { Moment } from './replay';

/** Share of full brightness from which an LED is said to be lit. */
const LIT_FROM = 0.06;

/** What can be seen and heard at a moment, in one sentence, for who neither sees nor hears it. */
export function momentWords({ lights, sounds, angles, turns, pulled, texts, pictures }: Moment): string {
  const lit = [...lights].filter(([, share]) => share >= LIT_FROM).map(([name]) => name);
  const said = [
    ...(lights.size === 0
      ? []
      : [lit.length === 0 ? 'no LED is lit' : `${listText(lit)} ${lit.length === 1 ? 'is' : 'are'} lit`]),
    ...[...sounds].flatMap(([name, hertz]) => (hertz > 0 ? [`${name} sounds`] : [])),
    ...[...angles].map(([name, degrees]) => `${name} stands at ${Math.round(degrees / 5) * 5}°`),
    ...[...turns].flatMap(([name, { speed }]) =>
      speed === 0 ? [] : [`${name} turns${speed < 0 ? ' backwards' : ''}`],
    ),
    ...[...pulled].flatMap(([name, isPulled]) => (isPulled ? [`${name} has pulled in`] : [])),
    ...[...texts].map(([name, lines]) =>
      `${name} shows ${lines.map((line) => line.trim()).join(' ')}`.trim(),
    ),
    ...[...pictures].map(([name, rows]) => `${name} has ${bitsOf(rows)} LEDs on`),
  ];
  return said.join('; ');
}

const bitsOf = (rows: readonly number[]): number =>
  rows.reduce((sum, row) => sum + [...row.toString(2)].filter((bit) => bit === '1').length, 0);
