import type { Ref } from '../../brand';
import { ref } from '../../brand';
import type { PartState } from '../../parts';
import { wiringFromRows } from '../../wiring/read';
import type { TableRow } from '../../wiring/table';
import type { Wiring } from '../../wiring/wiring';
import type { PinDrive } from '../bench';

/** One circuit in one state, written so that a person can check it. */
export interface GoldenCircuit {
  readonly name: string;
  readonly group: string;
  readonly board?: string;
  /** `REF kind value leg=net leg=net …`; a net named `U1.13` is that board pin. */
  readonly parts: readonly string[];
  readonly set?: Readonly<Record<string, PinDrive['mode']>>;
  readonly states?: Readonly<Record<string, Partial<PartState>>>;
}

const LEARNER = 'learner-5v';

const ledRow = (count: number, ohms: string, colour: string): readonly string[] =>
  Array.from({ length: count }, (_, index) => [
    `R${index + 1} resistor ${ohms} 1=U1.5V 2=n${index}`,
    `D${index + 1} led ${colour} anode=n${index} cathode=U1.GND`,
  ]).flat();

const ladder = (steps: number): readonly string[] =>
  Array.from({ length: steps }, (_, index) => [
    `R${2 * index + 1} resistor 1k 1=${index === 0 ? 'U1.5V' : `s${index}`} 2=s${index + 1}`,
    `R${2 * index + 2} resistor 2k 1=s${index + 1} 2=U1.GND`,
  ]).flat();

const bridge = (ohms: readonly [string, string, string, string], across: string): readonly string[] => [
  `R1 resistor ${ohms[0]} 1=U1.5V 2=left`,
  `R2 resistor ${ohms[1]} 1=left 2=U1.GND`,
  `R3 resistor ${ohms[2]} 1=U1.5V 2=right`,
  `R4 resistor ${ohms[3]} 1=right 2=U1.GND`,
  across,
];

const rgb = (form: 'cathode' | 'anode'): readonly string[] => [
  `D1 rgb-led common-${form} red=r green=g blue=b common=${form === 'cathode' ? 'U1.GND' : 'U1.5V'}`,
  'R1 resistor 330 1=r 2=U1.9',
  'R2 resistor 220 1=g 2=U1.10',
  'R3 resistor 220 1=b 2=U1.11',
];

const battery = (value: string, ohms: string): readonly string[] => [
  `G1 battery ${value} plus=p minus=m`,
  `R1 resistor ${ohms} 1=p 2=m`,
];

/** A transistor that switches a load from the 5 V supply, its base driven by pin 9. */
const transistorSwitch = (load: string, base: string): readonly string[] => [
  `R1 resistor ${base} 1=U1.9 2=b`,
  'Q1 transistor-npn small-signal base=b collector=c emitter=U1.GND',
  load,
];

const panel = (supply: string): readonly string[] => [
  `X1 led-matrix - vcc=${supply} gnd=U1.GND din=U1.11 cs=U1.10 clk=U1.9`,
];

/**
 * The circuits whose voltages are compared with a reference simulator. The figures beside them are
 * made by `npm run golden:circuits` and kept as data.
 */
export const goldenCircuits: readonly GoldenCircuit[] = [
  ...(
    [
      ['1k', '1k'],
      ['10k', '10k'],
      ['10k', '2.2k'],
      ['330', '1M'],
      ['4.7M', '4.7M'],
      ['10', '22'],
    ] as const
  ).map(([upper, lower]): GoldenCircuit => ({
    name: `divider of ${upper} and ${lower}`,
    group: 'dividers',
    board: LEARNER,
    parts: [
      `R1 resistor ${upper} 1=U1.5V 2=mid`,
      `R2 resistor ${lower} 1=mid 2=U1.A0 `,
      'R3 resistor 1 1=U1.A0 2=U1.GND',
    ],
  })),
  {
    name: 'divider read by an analog pin and loaded by an LED',
    group: 'dividers',
    board: LEARNER,
    parts: [
      'R1 resistor 1k 1=U1.5V 2=U1.A0',
      'R2 resistor 1k 1=U1.A0 2=U1.GND',
      'D1 led red anode=U1.A0 cathode=U1.GND',
    ],
  },
  ...[1, 3, 6].map((steps): GoldenCircuit => ({
    name: `ladder of ${steps} steps`,
    group: 'chains',
    board: LEARNER,
    parts: ladder(steps),
  })),
  {
    name: 'five resistors in a chain from a pin',
    group: 'chains',
    board: LEARNER,
    set: { 7: 'high' },
    parts: ['100', '220', '330', '470', '1k'].map(
      (ohms, index) =>
        `R${index + 1} resistor ${ohms} 1=${index === 0 ? 'U1.7' : `c${index}`} 2=${index === 4 ? 'U1.GND' : `c${index + 1}`}`,
    ),
  },
  {
    name: 'two red LEDs in a chain',
    group: 'chains',
    board: LEARNER,
    set: { 13: 'high' },
    parts: [
      'R1 resistor 100 1=U1.13 2=a',
      'D1 led red anode=a cathode=b',
      'D2 led red anode=b cathode=U1.GND',
    ],
  },
  {
    name: 'three LEDs in a chain, too many for 5 V',
    group: 'chains',
    board: LEARNER,
    set: { 13: 'high' },
    parts: [
      'R1 resistor 100 1=U1.13 2=a',
      'D1 led red anode=a cathode=b',
      'D2 led blue anode=b cathode=c',
      'D3 led green anode=c cathode=U1.GND',
    ],
  },
  {
    name: 'balanced bridge',
    group: 'bridges',
    board: LEARNER,
    parts: bridge(['1k', '2k', '10k', '20k'], 'R5 resistor 100 1=left 2=right'),
  },
  {
    name: 'bridge out of balance',
    group: 'bridges',
    board: LEARNER,
    parts: bridge(['1k', '3.3k', '10k', '4.7k'], 'R5 resistor 100 1=left 2=right'),
  },
  {
    name: 'bridge with an LED across',
    group: 'bridges',
    board: LEARNER,
    parts: bridge(['220', '1k', '1k', '220'], 'D1 led red anode=left cathode=right'),
  },
  {
    name: 'bridge with a diode the wrong way across',
    group: 'bridges',
    board: LEARNER,
    parts: bridge(['220', '1k', '1k', '220'], 'D1 diode signal anode=right cathode=left'),
  },
  ...(
    [
      [1, '330', 'amber'],
      [4, '220', 'red'],
      [8, '330', 'green'],
      [12, '100', 'blue'],
      [20, '220', 'white'],
    ] as const
  ).map(([count, ohms, colour]): GoldenCircuit => ({
    name: `${count} ${colour} LEDs with ${ohms} Ω on the supply`,
    group: 'many LEDs',
    board: LEARNER,
    parts: ledRow(count, ohms, colour),
  })),
  {
    name: 'two LEDs of different colour behind one resistor',
    group: 'many LEDs',
    board: LEARNER,
    set: { 8: 'high' },
    parts: [
      'R1 resistor 220 1=U1.8 2=a',
      'D1 led red anode=a cathode=U1.GND',
      'D2 led blue anode=a cathode=U1.GND',
    ],
  },
  {
    name: 'ten LEDs of a bar from ten pins',
    group: 'many LEDs',
    board: LEARNER,
    set: Object.fromEntries(
      Array.from({ length: 10 }, (_, index) => [String(index + 2), index % 3 === 0 ? 'low' : 'high']),
    ),
    parts: [
      `D1 led-bar red ${Array.from({ length: 10 }, (_, index) => `a${index + 1}=U1.${index + 2} k${index + 1}=k${index}`).join(' ')}`,
      ...Array.from({ length: 10 }, (_, index) => `R${index + 1} resistor 330 1=k${index} 2=U1.GND`),
    ],
  },
  {
    name: 'segments of a digit, common cathode',
    group: 'many LEDs',
    board: LEARNER,
    set: { 2: 'high', 3: 'high', 4: 'low' },
    parts: [
      'D1 seven-segment common-cathode a=sa b=sb c=sc common=U1.GND',
      'R1 resistor 470 1=sa 2=U1.2',
      'R2 resistor 470 1=sb 2=U1.3',
      'R3 resistor 470 1=sc 2=U1.4',
    ],
  },
  ...(['high', 'low'] as const).flatMap((level): readonly GoldenCircuit[] => [
    {
      name: `transistor switching an LED, pin ${level}`,
      group: 'transistors',
      board: LEARNER,
      set: { 9: level },
      parts: [...transistorSwitch('R2 resistor 150 1=U1.5V 2=d', '1k'), 'D1 led white anode=d cathode=c'],
    },
    {
      name: `transistor switching a motor, pin ${level}`,
      group: 'transistors',
      board: LEARNER,
      set: { 9: level },
      parts: [
        ...transistorSwitch('M1 motor 5V plus=U1.5V minus=c', '470'),
        'D1 diode - anode=c cathode=U1.5V',
      ],
    },
  ]),
  {
    name: 'transistor with a base resistor that is too large',
    group: 'transistors',
    board: LEARNER,
    set: { 9: 'high' },
    parts: transistorSwitch('R2 resistor 100 1=U1.5V 2=c', '220k'),
  },
  {
    name: 'transistor as a follower',
    group: 'transistors',
    board: LEARNER,
    set: { 9: 'high' },
    parts: [
      'R1 resistor 1k 1=U1.9 2=b',
      'Q1 transistor-npn - base=b collector=U1.5V emitter=e',
      'R2 resistor 220 1=e 2=U1.GND',
    ],
  },
  {
    name: 'transistor with collector and emitter exchanged',
    group: 'transistors',
    board: LEARNER,
    set: { 9: 'high' },
    parts: [
      'R1 resistor 1k 1=U1.9 2=b',
      'Q1 transistor-npn - base=b collector=U1.GND emitter=e',
      'R2 resistor 1k 1=U1.5V 2=e',
    ],
  },
  {
    name: 'two transistors, one driving the other',
    group: 'transistors',
    board: LEARNER,
    set: { 9: 'high' },
    parts: [
      'R1 resistor 100k 1=U1.9 2=b',
      'Q1 transistor-npn - base=b collector=c emitter=e',
      'Q2 transistor-npn - base=e collector=c emitter=U1.GND',
      'R2 resistor 220 1=U1.5V 2=c',
    ],
  },
  {
    name: 'supply joined to ground',
    group: 'shorts',
    board: LEARNER,
    parts: [
      'R1 resistor 0.1 1=U1.5V 2=U1.GND',
      'R2 resistor 330 1=U1.5V 2=x',
      'D1 led red anode=x cathode=U1.GND',
    ],
  },
  {
    name: 'high pin joined to ground by a pressed button',
    group: 'shorts',
    board: LEARNER,
    set: { 2: 'high' },
    states: { S1: { pressed: true } },
    parts: ['S1 button - 1=U1.2 3=U1.GND'],
  },
  {
    name: 'supply joined to ground by a pressed button',
    group: 'shorts',
    board: LEARNER,
    states: { S1: { pressed: true } },
    parts: ['S1 button - 1=U1.5V 3=U1.GND'],
  },
  {
    name: 'two pins against each other',
    group: 'shorts',
    board: LEARNER,
    set: { 4: 'high', 5: 'low' },
    parts: ['R1 resistor 1 1=U1.4 2=U1.5'],
  },
  {
    name: 'battery shorted by a lead',
    group: 'shorts',
    parts: battery('9V', '0.05'),
  },
  {
    name: 'LED without resistor',
    group: 'shorts',
    board: LEARNER,
    set: { 13: 'high' },
    parts: ['D1 led amber anode=U1.13 cathode=U1.GND'],
  },
  {
    name: 'LED with one leg in the air',
    group: 'floating nodes',
    board: LEARNER,
    set: { 13: 'high' },
    parts: ['R1 resistor 330 1=U1.13 2=a', 'D1 led amber anode=a cathode=air'],
  },
  {
    name: 'input behind an open button',
    group: 'floating nodes',
    board: LEARNER,
    parts: ['S1 button - 1=U1.2 3=U1.5V', 'R1 resistor 330 1=x 2=y'],
  },
  {
    name: 'capacitor in a chain',
    group: 'floating nodes',
    board: LEARNER,
    set: { 13: 'high' },
    parts: ['R1 resistor 1k 1=U1.13 2=a', 'C1 capacitor 100n 1=a 2=b', 'R2 resistor 1k 1=b 2=U1.GND'],
  },
  {
    name: 'input held by its pull-up, button pressed',
    group: 'inputs',
    board: LEARNER,
    set: { 2: 'pullup' },
    states: { S1: { pressed: true } },
    parts: ['S1 button - 1=U1.2 3=U1.GND'],
  },
  {
    name: 'input held by its pull-up, button open',
    group: 'inputs',
    board: LEARNER,
    set: { 2: 'pullup' },
    parts: ['S1 button - 1=U1.2 3=U1.GND'],
  },
  {
    name: 'pull-up against a pull-down',
    group: 'inputs',
    board: LEARNER,
    set: { 2: 'pullup' },
    parts: ['R1 resistor 10k 1=U1.2 2=U1.GND'],
  },
  {
    name: 'LED on a pin that is only pulled up',
    group: 'inputs',
    board: LEARNER,
    set: { 13: 'pullup' },
    parts: ['R1 resistor 330 1=U1.13 2=a', 'D1 led amber anode=a cathode=U1.GND'],
  },
  {
    name: '9 V into an input through 10 kΩ',
    group: 'inputs',
    board: LEARNER,
    parts: ['G1 battery 9V plus=p minus=U1.GND', 'R1 resistor 10k 1=p 2=U1.7'],
  },
  {
    name: '5 V into a 3.3 V input through 1 kΩ',
    group: 'inputs',
    board: 'python-3v3',
    parts: ['R1 resistor 1k 1=U1.5V 2=U1.D7'],
  },
  {
    name: 'a negative battery on an input',
    group: 'inputs',
    board: LEARNER,
    parts: ['G1 battery coin plus=U1.GND minus=q', 'R1 resistor 4.7k 1=q 2=U1.7'],
  },
  ...[
    ['3V coin', '100'],
    ['9V', '470'],
    ['4x1.5', '10'],
    ['7.4V', '2.2'],
  ].map(([value, ohms]): GoldenCircuit => ({
    name: `battery ${value} with ${ohms} Ω`,
    group: 'batteries',
    parts: battery(value!.replace(/ /g, '_'), ohms!),
  })),
  {
    name: 'LED straight on a coin cell',
    group: 'batteries',
    parts: ['G1 battery coin plus=p minus=m', 'D1 led red anode=p cathode=m'],
  },
  {
    name: 'LED the wrong way round on a 9 V block',
    group: 'batteries',
    parts: ['G1 battery 9V plus=p minus=m', 'R1 resistor 470 1=p 2=a', 'D1 led red anode=m cathode=a'],
  },
  {
    name: 'two batteries side by side, one fuller',
    group: 'batteries',
    parts: ['G1 battery 4x1.5 plus=p minus=m', 'G2 battery 7.4V plus=p minus=m', 'R1 resistor 47 1=p 2=m'],
  },
  {
    name: 'battery and board with joined grounds, motor from the battery',
    group: 'batteries',
    board: LEARNER,
    set: { 9: 'high' },
    states: { M1: { starting: true } },
    parts: [
      'G1 battery 4x1.5 plus=p minus=U1.GND',
      'M1 motor 6V plus=p minus=c',
      'R1 resistor 220 1=U1.9 2=b',
      'Q1 transistor-npn - base=b collector=c emitter=U1.GND',
    ],
  },
  {
    name: 'bench supply feeding a chain of LEDs',
    group: 'batteries',
    parts: [
      'G1 supply 12V plus=p minus=m',
      'R1 resistor 330 1=p 2=a',
      'D1 led white anode=a cathode=b',
      'D2 led blue anode=b cathode=m',
    ],
  },
  {
    name: 'starting servo on the board’s own 5 V',
    group: 'supplies',
    board: LEARNER,
    set: { 9: 'high' },
    states: { M1: { starting: true } },
    parts: ['M1 servo - signal=U1.9 plus=U1.5V minus=U1.GND'],
  },
  {
    name: '3.3 V supply with an LED and a sensor',
    group: 'supplies',
    board: LEARNER,
    parts: [
      'R1 resistor 100 1=U1.3V3 2=a',
      'D1 led red anode=a cathode=U1.GND',
      'L1 light-sensor 10k 1=U1.3V3 2=b',
      'R2 resistor 10k 1=b 2=U1.GND',
    ],
  },
  ...(['cathode', 'anode'] as const).flatMap((form): readonly GoldenCircuit[] =>
    [
      ['high', 'low', 'high'],
      ['high', 'high', 'high'],
      ['low', 'low', 'low'],
    ].map((levels) => ({
      name: `RGB LED, common ${form}, pins ${levels.join(' ')}`,
      group: 'RGB LEDs',
      board: LEARNER,
      set: { 9: levels[0] as 'high', 10: levels[1] as 'high', 11: levels[2] as 'high' },
      parts: rgb(form),
    })),
  ),
  {
    name: 'RGB LED with one resistor on its common leg',
    group: 'RGB LEDs',
    board: LEARNER,
    set: { 9: 'high', 10: 'high', 11: 'high' },
    parts: [
      'D1 rgb-led common-cathode red=U1.9 green=U1.10 blue=U1.11 common=c',
      'R1 resistor 220 1=c 2=U1.GND',
    ],
  },
  ...[0, 0.3, 1].map((position): GoldenCircuit => ({
    name: `potentiometer at ${position}`,
    group: 'sensors',
    board: LEARNER,
    states: { P1: { position } },
    parts: ['P1 potentiometer 10k 1=U1.GND wiper=U1.A0 2=U1.5V'],
  })),
  ...[0, 0.5, 1].map((light): GoldenCircuit => ({
    name: `light sensor at ${light}`,
    group: 'sensors',
    board: LEARNER,
    states: { L1: { light } },
    parts: ['L1 light-sensor 20k 1=U1.5V 2=U1.A0', 'R1 resistor 10k 1=U1.A0 2=U1.GND'],
  })),
  {
    name: 'thermistor at 60 °C',
    group: 'sensors',
    board: LEARNER,
    states: { T1: { celsius: 60 } },
    parts: ['T1 thermistor 10k 1=U1.5V 2=U1.A0', 'R1 resistor 10k 1=U1.A0 2=U1.GND'],
  },
  {
    name: 'temperature sensor with a load at its output',
    group: 'modules',
    board: LEARNER,
    states: { T1: { celsius: 31 } },
    parts: ['T1 temperature-sensor - vcc=U1.5V out=U1.A0 gnd=U1.GND', 'R1 resistor 4.7k 1=U1.A0 2=U1.GND'],
  },
  {
    name: 'LED panel with its supply',
    group: 'modules',
    board: LEARNER,
    set: { 9: 'low', 10: 'high', 11: 'high' },
    parts: panel('U1.5V'),
  },
  {
    name: 'LED panel without supply, half alive from its signals',
    group: 'modules',
    board: LEARNER,
    set: { 9: 'low', 10: 'high', 11: 'high' },
    parts: panel('nowhere'),
  },
  {
    name: 'relay module pulled in, with an LED on its contact',
    group: 'modules',
    board: LEARNER,
    set: { 7: 'high' },
    parts: [
      'K1 relay - vcc=U1.5V gnd=U1.GND in=U1.7 com=s no=a',
      'R2 resistor 1 1=U1.5V 2=s',
      'R1 resistor 470 1=a 2=d',
      'D1 led green anode=d cathode=U1.GND',
    ],
  },
  {
    name: 'slide switch choosing between two LEDs',
    group: 'switches',
    board: LEARNER,
    states: { S1: { position: 1 } },
    parts: [
      'S1 switch - 1=a common=U1.5V 2=b',
      'R1 resistor 330 1=a 2=x',
      'D1 led red anode=x cathode=U1.GND',
      'R2 resistor 330 1=b 2=y',
      'D2 led green anode=y cathode=U1.GND',
    ],
  },
  {
    name: 'active buzzer on a pin',
    group: 'switches',
    board: LEARNER,
    set: { 8: 'high' },
    parts: ['Z1 buzzer active plus=U1.8 minus=U1.GND'],
  },
];

/** The wiring of a golden circuit: legs are fastened straight to pins and to each other. */
export function goldenWiring(circuit: GoldenCircuit): Wiring {
  const rows: Omit<TableRow, 'line'>[] = [];
  if (circuit.board !== undefined)
    rows.push({ ref: 'U1', kind: 'board', value: circuit.board, leg: '', at: '' });
  const anchors = new Map<string, string>();
  for (const text of circuit.parts) {
    const [name, kind, value, ...legs] = text.trim().split(/\s+/);
    for (const leg of legs) {
      const [legName, net] = leg.split('=') as [string, string];
      const own = `${name}.${legName}`;
      rows.push({
        ref: name!,
        kind: kind!,
        value: value === '-' ? '' : value!.replace(/_/g, ' '),
        leg: legName,
        at: anchors.get(net) ?? (net.startsWith('U1.') ? net : ''),
      });
      if (!anchors.has(net)) anchors.set(net, own);
    }
  }
  const wiring = wiringFromRows(rows.map((row, index) => ({ ...row, line: index + 1 })));
  if (!wiring.ok) throw new Error(`${circuit.name}: ${wiring.problems[0]!.message}`);
  return wiring.value;
}

export const goldenDrives = (circuit: GoldenCircuit): ReadonlyMap<string, PinDrive> =>
  new Map(Object.entries(circuit.set ?? {}).map(([pin, mode]) => [pin, { mode } as PinDrive]));

export const goldenStates = (circuit: GoldenCircuit): ReadonlyMap<Ref, Partial<PartState>> =>
  new Map(Object.entries(circuit.states ?? {}).map(([name, state]) => [ref(name), state]));
