import { drawBench } from '@/core/drawing/bench';
import { readWiring } from '@/core/wiring/read';
import { BenchFigure } from '../drawing/BenchFigure';

const BEACON = `ref,kind,value,leg,at
U1,board,learner-5v,,
B1,breadboard,half,,
D1,led,amber,anode,B1.e5
D1,led,amber,cathode,B1.e6
R1,resistor,330,1,B1.d6
R1,resistor,330,2,B1.a-6
W1,wire,yellow,1,U1.13
W1,wire,yellow,2,B1.a5
W2,wire,black,1,U1.GND
W2,wire,black,2,B1.a-1
`;

/** The first exercise as it is drawn everywhere, its LED keeping its light character. */
export function BeaconPicture() {
  const wiring = readWiring(BEACON);
  if (!wiring.ok) return null;
  const drawing = drawBench(wiring.value, { crop: 'used', rows: [1, 10] });
  const led = drawing.layers
    .find((layer) => layer.ref === 'D1')
    ?.shapes.find((shape) => shape.paint?.of === 'glass');
  const centre =
    led?.type === 'path' ? drawing.targets.find((target) => target.point === 'B1.e5') : undefined;
  return (
    <BenchFigure drawing={drawing} title="The beacon" className="w-full max-w-[40rem]">
      {centre && (
        <circle
          cx={centre.x + 36}
          cy={centre.y + 12}
          r="25"
          fill="#f2b134"
          opacity="0.0"
          className="[animation:beacon_3s_linear_infinite]"
          style={{ mixBlendMode: 'multiply' }}
        />
      )}
    </BenchFigure>
  );
}
