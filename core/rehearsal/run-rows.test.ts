import { describe, expect, test } from 'vitest';
import { runOn } from '../testing/bench';
import { runRows } from './run-rows';

describe('a run as rows over time', () => {
  const rows = `B1,breadboard,half,,
S1,button,,1,B1.e5
S1,button,,2,B1.f5
S1,button,,3,B1.e7
S1,button,,4,B1.f7
W1,wire,blue,1,U1.2
W1,wire,blue,2,B1.a5
W2,wire,black,1,B1.a7
W2,wire,black,2,U1.GND
Z1,buzzer,passive,plus,U1.8
Z1,buzzer,passive,minus,U1.GND`;
  const source = `void setup() { pinMode(2, INPUT_PULLUP); }
void loop() { if (digitalRead(2) == LOW) tone(8, 440); else noTone(8); }`;

  test('begins with what is done, and goes on with what comes of it', () => {
    const stimuli = [{ at: 0.5, press: 'S1', for: 0.5 }];
    const trace = runOn({ rows, source, stimuli });
    const timeline = runRows({ name: 'rings', for: 2, stimuli }, trace);
    expect(timeline.rows.map(({ name, sort }) => [name, sort])).toEqual([
      ['S1', 'done'],
      ['Z1', 'heard'],
    ]);
    expect(timeline.rows[0]!.marks).toEqual([{ from: 0.5, to: 1, strength: 'full' }]);
    const [sounds] = timeline.rows[1]!.marks;
    expect(sounds).toMatchObject({ label: '440 Hz', strength: 'full' });
    expect(sounds!.from).toBeCloseTo(0.5, 2);
    expect(sounds!.to).toBeCloseTo(1, 2);
  });

  test('draws a light that changes by how bright it is, and one that does not as one stretch', () => {
    const led = `${rows}
D1,led,red,anode,U1.9
D1,led,red,cathode,B1.a20
R1,resistor,220,1,B1.b20
R1,resistor,220,2,B1.b25
W3,wire,black,1,B1.a25
W3,wire,black,2,U1.GND`;
    const lit = (body: string) =>
      runRows(
        { name: 'shines', for: 2, stimuli: [] },
        runOn({
          rows: led,
          source: `void setup() { pinMode(9, OUTPUT); }\nvoid loop() { ${body} }`,
          stimuli: [],
        }),
      ).rows.find(({ name }) => name === 'D1')!.marks;
    const [fading] = lit('for (int i = 20; i < 255; i += 5) { analogWrite(9, i); delay(40); }');
    expect(fading?.levels?.[0]).toBeLessThan(0.5);
    expect(Math.max(...(fading?.levels ?? []))).toBeGreaterThan(0.9);
    expect(lit('digitalWrite(9, HIGH);').map(({ levels }) => levels)).toEqual([undefined]);
  });

  test('ends with what is printed, each line until the next', () => {
    const printing = `void setup() { Serial.begin(9600); }
void loop() { Serial.print("n "); Serial.println(millis() / 1000); delay(500); Serial.println("tock"); delay(500); }`;
    const { rows: shown } = runRows(
      { name: 'ticks', for: 2, stimuli: [] },
      runOn({ rows, source: printing, stimuli: [] }),
    );
    expect(shown.at(-1)).toMatchObject({ name: 'text', sort: 'printed' });
    expect(shown.at(-1)!.marks.map(({ label }) => label)).toEqual(['n 0', 'tock', 'n 1', 'tock']);
    expect(shown.at(-1)!.marks[0]!.to).toBe(shown.at(-1)!.marks[1]!.from);
  });

  test('has of much that is printed what can be read', () => {
    const printing = `void setup() { Serial.begin(115200); }
void loop() { Serial.println(millis()); delay(5); }`;
    const { rows: shown } = runRows(
      { name: 'runs', for: 2, stimuli: [] },
      runOn({ rows, source: printing, stimuli: [] }),
    );
    const { marks } = shown.at(-1)!;
    expect(marks.length).toBeGreaterThan(20);
    expect(marks.length).toBeLessThanOrEqual(41);
    expect(marks[0]!.label).toBe('0 …');
  });
});
