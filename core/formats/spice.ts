import { driveBench, type Bench, type PinDrives } from '../electrics/bench';
import type { Element } from '../solver/network';
import { THERMAL_VOLTS, type JunctionModel } from '../solver/junction';
import { nameOf, type Wiring } from '../wiring/wiring';

/**
 * Writes the circuit that the solver sees, in one state of its pins, as a SPICE netlist with an
 * operating-point analysis. Every node of the wiring appears: node `n3` is netlist node 3 and its
 * points stand in a comment; `0` is the reference. PWM pins must be given as high or low.
 */
export function writeSpice(bench: Bench, drives: PinDrives, title: string): string {
  const driven = driveBench(bench, drives, 'with-clamps');
  const nameOfNode = new Map<number, string>([[0, '0']]);
  bench.solverNode.forEach((node, id) => {
    if (node !== 0) nameOfNode.set(node, `n${id}`);
  });
  const node = (index: number): string => nameOfNode.get(index) ?? `x${index}`;
  const models = new ModelNames();
  const cards = driven.elements.flatMap((element, index) => {
    const owner = bench.owners[index];
    const pin = driven.pins.find((candidate) => candidate.index === index);
    const label = owner
      ? owner.ref
      : pin
        ? `pin_${pin.pin}`
        : index < bench.elements.length
          ? 'board'
          : 'clamp';
    return card(element, `${label}_${index}`, node, models);
  });
  const floating = bench.circuit.nodes.map(({ id }) => node(bench.solverNode[id]!));
  const holds = [
    ...new Set([...floating, ...driven.elements.flatMap((element) => nodesOf(element).map(node))]),
  ]
    .filter((name) => name !== '0')
    .map((name, index) => `Rhold_${index} ${name} 0 1e12`);
  return `${[
    `* ${oneLine(title)}`,
    '* nodes of the wiring',
    ...bench.circuit.nodes.map(
      ({ id, points }) => `* ${node(bench.solverNode[id]!)}: ${points.map(nameOf).join(' ')}`,
    ),
    ...cards,
    '* what keeps lone nodes solvable',
    ...holds,
    ...models.cards(),
    '.op',
    '.end',
  ].join('\n')}\n`;
}

const oneLine = (text: string): string => text.replace(/\s+/g, ' ').trim();

function nodesOf(element: Element): readonly number[] {
  const ends = [element.from, element.to];
  if (element.type === 'transistor') return [...ends, element.base];
  return element.type === 'output' ? [...ends, element.minus] : ends;
}

function card(
  element: Element,
  name: string,
  node: (index: number) => string,
  models: ModelNames,
): readonly string[] {
  const [from, to] = [node(element.from), node(element.to)];
  switch (element.type) {
    case 'resistor':
      return [`R${name} ${from} ${to} ${figure(element.ohms)}`];
    case 'junction':
      return [`D${name} ${from} ${to} ${models.junction(element.model)}`];
    case 'capacitor':
      return [`C${name} ${from} ${to} ${figure(element.farads)}`];
    case 'transistor': {
      const { saturationA, forwardGain, reverseGain } = element.model;
      return [
        `Q${name} ${from} ${node(element.base)} ${to} ${models.named(
          `NPN(IS=${figure(saturationA)} BF=${figure(forwardGain)} BR=${figure(reverseGain)})`,
        )}`,
      ];
    }
    case 'source':
      if (element.ohms === 0) return [`V${name} ${from} ${to} ${figure(element.volts)}`];
      return [
        `V${name} s_${name} ${to} ${figure(element.volts)}`,
        `R${name} s_${name} ${from} ${figure(element.ohms)}`,
      ];
    case 'output': {
      const minus = node(element.minus);
      const level = `max(0,min(${figure(element.volts)},V(${from},${minus})))`;
      const current = `(${level}-V(${to},${minus}))/${figure(element.ohms)}`;
      if (element.volts === 0) return [`R${name} ${to} ${minus} ${figure(element.ohms)}`];
      return [`B${name}g ${from} ${to} I=max(0,${current})`, `B${name}t ${minus} ${to} I=min(0,${current})`];
    }
  }
}

const figure = (amount: number): string => String(Number(amount.toPrecision(12)));

/** Model cards by what they say, so that equal parts share one. */
class ModelNames {
  private readonly names = new Map<string, string>();

  junction({ saturationA, slopeVolts, seriesOhms }: JunctionModel): string {
    return this.named(
      `D(IS=${figure(saturationA)} N=${figure(slopeVolts / THERMAL_VOLTS)} RS=${figure(seriesOhms)})`,
    );
  }

  named(body: string): string {
    const name = this.names.get(body) ?? `m${this.names.size + 1}`;
    this.names.set(body, name);
    return name;
  }

  cards(): readonly string[] {
    return [...this.names].map(([body, name]) => `.model ${name} ${body}`);
  }
}

/** A title for a wiring without an exercise. */
export const titleOf = (wiring: Wiring): string =>
  `${wiring.board?.profile.short ?? 'no board'}; ${wiring.parts
    .map((part) => `${part.ref} ${part.legs.map(({ at }) => (at ? nameOf(at) : '-')).join(' ')}`)
    .join('; ')}`.slice(0, 200);
