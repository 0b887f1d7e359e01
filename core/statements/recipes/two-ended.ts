import { legName, type PointName } from '../../brand';
import { kindOf } from '../../parts';
import { legPoint } from '../../wiring/wiring';
import type { Make } from './make';
import type { Target } from '../statement';
import { noPins, type Recipe } from './recipe';

/** The two ends of what something is across: a supply and ground, or a part's plus and minus. */
function endsOf(target: Target, make: Make): readonly [plus: PointName, minus: PointName] {
  if (target.type === 'part') {
    const part = make.known(target.ref);
    const legs = part ? kindOf(part.kind).legs.map((leg) => leg.name as string) : ['plus', 'minus'];
    const end = (names: readonly string[]): PointName =>
      legPoint(target.ref, legName(names.find((name) => legs.includes(name)) ?? names[0]!));
    return [end(['plus', 'vcc', 'anode', '1']), end(['minus', 'gnd', 'cathode', '2', '3'])];
  }
  return [target.type === 'ground' ? make.supply() : make.point(target), make.ground()];
}

/** A part with two ends, across something or joined end by end. */
function twoEnded(
  kind: string,
  [plus, minus]: readonly [plus: string, minus: string],
  phrase: (value: string) => string,
): Recipe {
  return {
    needs: noPins,
    needsBothEnds: true,
    build(statement, make) {
      const one = make.part(kind, statement.value, statement.acceptValue);
      if (!statement.across) return;
      const [high, low] = endsOf(statement.across, make);
      make.join(high, legPoint(one, legName(plus)));
      make.join(low, legPoint(one, legName(minus)));
    },
    say(part, view) {
      if (!view.isGround(part, minus)) return undefined;
      const place = view.place(part, plus);
      if (place.type === 'supply') return `${phrase(part.value)} across supply`;
      if (place.type === 'source') return `${phrase(part.value)} across ${place.ref}`;
      return place.type === 'socket' ? `${phrase(part.value)} across ${place.name}` : undefined;
    },
  };
}

export const capacitor = twoEnded('capacitor', ['1', '2'], (value) => `${value} capacitor`);
export const electrolytic = twoEnded('electrolytic', ['plus', 'minus'], (value) => `${value} electrolytic`);
/** Against the supply, so that it lets through only what a coil gives back. */
export const diode = twoEnded('diode', ['cathode', 'anode'], (value) => `${value} diode`);
export const resistor = twoEnded('resistor', ['1', '2'], (value) => `${value} resistor`);
export const transistor: Recipe = {
  needsBothEnds: true,
  needs: noPins,
  build: (statement, make) => void make.part('transistor-npn', statement.value),
};
