import { legName } from '../brand';
import { fail, ok, type Result } from '../result';
import { defineKind } from './kind';
import type { PartValue } from './value';

const plus = legName('plus');
const minus = legName('minus');

/** A sort of battery: open volts, inner resistance in Ω, charge in mAh, and the words people write for it. */
interface Sort {
  readonly volts: number;
  readonly ohms: number;
  readonly chargeMah: number;
  readonly hint: string;
}

/** Alkaline cell of the finger size: 1.5 V, 0.2 Ω fresh, 2000 mAh at small currents. */
const cells = (count: number): Sort => ({
  volts: 1.5 * count,
  ohms: 0.2 * count,
  chargeMah: 2000,
  hint: `${count} × 1.5 V`,
});
const sorts: ReadonlyMap<string, Sort> = new Map([
  ...[1, 2, 3, 4, 5, 6, 8].map((count) => [`${count}x1.5V`, cells(count)] as const),
  ['3V coin', { volts: 3, ohms: 15, chargeMah: 220, hint: '3 V coin' }],
  ['9V block', { volts: 9, ohms: 1.5, chargeMah: 500, hint: '9 V block' }],
  ['7.4V pack', { volts: 7.4, ohms: 0.1, chargeMah: 1500, hint: '7.4 V pack' }],
]);

/** The sort that a battery's value names; a missing one is a bug. */
export function batterySort(value: PartValue): Sort {
  const sort = sorts.get(value.text);
  if (!sort) throw new Error(`unknown battery ${value.text}`);
  return sort;
}

/** Reads `4x1.5V`, `2 × 1.5`, `3V coin`, `coin`, `9V`, `block`, `7.4`, `pack`, `6V`. */
function readBattery(text: string): Result<PartValue> {
  const typed = text.trim().toLowerCase().replace(/[×*]/g, 'x').replace(/\s+/g, '').replace(/v/g, '');
  if (typed === '') return fail({ message: 'a battery needs its value, such as 9V, 3V coin or 4x1.5V' });
  const name = named(typed);
  const sort = name === undefined ? undefined : sorts.get(name);
  if (name !== undefined && sort) return ok({ text: name, amount: sort.volts });
  return fail({
    message: `“${text.trim()}” is no known battery; known are ${[...sorts.keys()].join(', ')}`,
    typed: text,
  });
}

function named(typed: string): string | undefined {
  if (/^(3?coin|coin3?|3|cell3?)$/.test(typed)) return '3V coin';
  if (/^(9(block)?|block9?|pp3)$/.test(typed)) return '9V block';
  if (/^(7\.4(pack)?|pack7?\.?4?)$/.test(typed)) return '7.4V pack';
  const counted = /^(\d)x1\.5$/.exec(typed) ?? /^(\d)cells?$/.exec(typed);
  if (counted) return `${counted[1]}x1.5V`;
  const volts = Number(typed);
  return Number.isInteger(volts / 1.5) ? `${volts / 1.5}x1.5V` : undefined;
}

export const battery = defineKind({
  kind: 'battery',
  alsoTyped: ['batteries', 'cell'],
  alsoSaid: ['battery pack', 'battery holder', 'battery box', 'battery case'],
  usualValues: ['4x1.5V', '9V'],
  prefix: 'G',
  title: 'battery',
  legs: [
    {
      name: plus,
      title: 'plus lead',
      role: 'plus pole',
      knownBy: 'the red lead, or the plus on the cell',
      mark: '+',
    },
    {
      name: minus,
      title: 'minus lead',
      role: 'minus pole',
      knownBy: 'the black lead, or the minus on the cell',
      mark: '−',
    },
  ],
  footprint: { type: 'leads', rows: 1 },
  body: 'cell',
  sign: 'battery',
  hazards: [
    'Right voltage, right way round, never shorted; take it off after class.',
    'Keep coin and button cells away from small children.',
  ],
  pretest: 'Measure it: a fresh one shows at least its printed volts.',
  readValue: readBattery,
  elements: (value) => {
    const { volts, ohms } = batterySort(value);
    return [{ type: 'source', plus, minus, volts, ohms }];
  },
  describe: (value) => `${batterySort(value).hint} battery`,
});
