import { fail, ok, type Result } from '../result';
import { expectationSchema, type Expectation } from './scenario';

const number = String.raw`(\d+(?:\.\d+)?)`;

/**
 * Reads an expectation as `expectationSentence` writes it, and as people say it: `D1 lit 0.5 s, dark 2.5 s`,
 * `D1 is on`, `D1 flashes 3 times`, `D1 and D2 never together`, `D1, then D2 in turn`, `prints "tide"`, each
 * with `from 2 s to 6 s` and `give or take 10 %` behind it where wanted.
 */
export function readExpectation(text: string): Result<Expectation> {
  const typed = text
    .trim()
    .replace(/\.$/, '')
    .replace(/[\u00a0]/g, ' ');
  const tolerance = new RegExp(`,? *give or take ${number} *%$`, 'i').exec(typed);
  const untold = tolerance ? typed.slice(0, tolerance.index) : typed;
  const range = new RegExp(`,? *from ${number} *s?(?: to ${number} *s?)?$`, 'i').exec(untold);
  const core = range ? untold.slice(0, range.index) : untold;
  const base = kernel(core.trim());
  if (!base)
    return fail({
      message: `“${text.trim()}” is not understood. Write it like “D1 lit 0.5 s, dark 2.5 s”, “D1 is on”, “D1 flashes 3 times”, “D1 and D2 never together” or “prints "tide"”.`,
      typed: text,
    });
  const read = expectationSchema.safeParse({
    ...base,
    ...(range ? { from: Number(range[1]), ...(range[2] === undefined ? {} : { to: Number(range[2]) }) } : {}),
    ...(tolerance ? { tolerance: Number(tolerance[1]) / 100 } : {}),
  });
  return read.success ? ok(read.data) : fail({ message: read.error.issues[0]!.message, typed: text });
}

function kernel(text: string): Record<string, unknown> | undefined {
  const name = /^([a-z]{1,2}\d{1,3})\b/i.exec(text);
  const lamp = name?.[1]!.toUpperCase();
  const rest = name ? text.slice(name[0].length).trim().toLowerCase() : '';
  const prints = /^(?:prints|the serial text (contains|equals|matches)) *[“"']([\s\S]*)[”"']$/i.exec(text);
  if (prints) return { serial: prints[1]?.toLowerCase() ?? 'contains', text: prints[2] };
  if (/\bnever\b.*\btogether$/i.test(text)) return { 'never-together': namesIn(text) };
  if (/\bthen\b/i.test(text) && namesIn(text).length > 1) return { order: namesIn(text) };
  if (lamp === undefined) return undefined;
  const times = [...rest.matchAll(new RegExp(`(lit|on|flash(?:es)?|dark|off) *(?:for *)?${number} *s`, 'g'))];
  if (times.length >= 2) return { lamp, rhythm: times.map((match) => Number(match[2])) };
  const flashes =
    /^flash(?:es)? (\d+)(?: times?)?$/.exec(rest) ?? (/^flashes once$/.test(rest) ? ['', '1'] : null);
  if (flashes) return { lamp, flashes: Number(flashes[1]) };
  const bright = new RegExp(`^(?:is )?between ${number} and ${number} *% bright$`).exec(rest);
  if (bright) return { lamp, brightness: [Number(bright[1]) / 100, Number(bright[2]) / 100] };
  const state = /^(?:is|stays) (on|lit|off|dark)(?: all the time)?$/.exec(rest);
  return state ? { lamp, is: state[1] === 'on' || state[1] === 'lit' ? 'on' : 'off' } : undefined;
}

const namesIn = (text: string): readonly string[] =>
  [...text.matchAll(/\b([a-z]{1,2}\d{1,3})\b/gi)].map((match) => match[1]!.toUpperCase());
