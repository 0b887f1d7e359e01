import type { Form } from './form';
import { written, type Guess, type Rule } from './guess';

const COST = 1.35;
/** The largest numbers that readings of other boards, and what is written to pins, come to. */
const OTHER_RANGES = /^(?:255|256|1023|1024|4095|4096|32767|32768|65535|65536)(?:\.0*)?$/;

/** `knob.value / 1023`: how far a reading goes is another number on this board. */
function rangesOfBoard({ tokens, language }: Form): readonly Guess[] {
  const isPython = language === 'python';
  const reads = isPython ? /^AnalogIn$/ : /^analogRead$/;
  const top = isPython ? '65535' : '1023';
  if (!tokens.some(({ text }) => reads.test(text))) return [];
  return tokens.flatMap((token, index): readonly Guess[] => {
    const before = tokens[index - 1]?.text ?? '';
    // 1023 and 1024 steps are as good as the same.
    const isOther = OTHER_RANGES.test(token.text) && Math.abs(Number(token.text) - Number(top)) > 1;
    const isDivisor =
      before === '/' || (before === '=' && isDividedBy(tokens[index - 2]?.text ?? '', tokens));
    if (!isOther || !isDivisor) return [];
    const point = /\./.test(token.text) ? '.0' : '';
    return [
      {
        ...written(token, `${top}${point}`, COST),
        told: {
          why: `Line ${token.line} divides by ${token.text}. What this board measures goes from 0 to ${top}.`,
          ask: `What is the largest number that this board measures?`,
        },
      },
    ];
  });
}

/** `raw * 65535 / 100`: a share is what is read, divided by the most that can be read. */
function sharesUpsideDown({ tokens, language }: Form): readonly Guess[] {
  const most = language === 'python' ? /^6553[56](?:\.0*)?$/ : /^102[34](?:\.0*)?$/;
  return tokens.flatMap((token, index): readonly Guess[] => {
    const [times, by, whole] = [tokens[index - 1], tokens[index + 1], tokens[index + 2]];
    if (!most.test(token.text) || times?.text !== '*' || by?.text !== '/' || whole?.kind !== 'number')
      return [];
    if (whole.line !== token.line) return [];
    // In C++ a whole number divided by a larger one is nothing.
    const isWhole = language === 'cpp' && !/\./.test(token.text);
    const share = isWhole ? `* ${whole.text} / ${token.text}` : `/ ${token.text} * ${whole.text}`;
    const was = `* ${token.text} / ${whole.text}`;
    return [
      {
        edits: [
          { line: token.line, column: times.column, length: whole.endColumn - times.column, by: share },
        ],
        text: `Write ${share} instead of ${was} in line ${token.line}.`,
        cost: COST,
        told: {
          why: `Line ${token.line} multiplies by the largest reading and divides by ${whole.text}. For a share it is the other way round.`,
          ask: `What comes out of line ${token.line} for the largest reading, ${token.text}?`,
        },
      },
    ];
  });
}

const isDividedBy = (name: string, tokens: Form['tokens']): boolean =>
  tokens.some(({ text }, index) => text === name && tokens[index - 1]?.text === '/');

/** `us / 29`: sound goes to the wall and back, so that each centimetre takes it twice that. */
const thereAndBack = ({ tokens }: Form): readonly Guess[] =>
  !tokens.some(({ text }) => text === 'pulseIn')
    ? []
    : tokens.flatMap((token, index): readonly Guess[] => {
        const isOneWay = /^29(?:\.\d*)?f?$/.test(token.text) && tokens[index - 1]?.text === '/';
        const isHalved = tokens[index + 1]?.text === '/' && tokens[index + 2]?.text === '2';
        return isOneWay && !isHalved
          ? [
              {
                ...written(token, /\./.test(token.text) ? '58.0' : '58', COST),
                told: {
                  why: `Line ${token.line}: the sound takes 29 µs for each centimetre, and it goes there and back, which makes 58.`,
                  ask: `How far does the sound go when something is 10 cm away?`,
                },
              },
            ]
          : [];
      });

/** The rules of this subject that something in a program speaks for. */
export const ofRangesOfReadings: readonly Rule[] = [rangesOfBoard, sharesUpsideDown, thereAndBack];
