import { describe, expect, test } from 'vitest';
import { runOn, printedBy } from '../testing/bench';

const LED = (pin: string): string => `B1,breadboard,half,,
D1,led,red,anode,B1.e5
D1,led,red,cathode,B1.e6
R1,resistor,330,1,B1.d6
R1,resistor,330,2,B1.a-6
W1,wire,yellow,1,U1.${pin}
W1,wire,yellow,2,B1.a5
W2,wire,black,1,U1.GND
W2,wire,black,2,B1.a-1`;
const dims = (pin: number, duty: number, more = ''): string =>
  `${more}void setup() { pinMode(${pin}, OUTPUT); analogWrite(${pin}, ${duty}); }\nvoid loop() { delay(100); }`;

describe('dimming on a pin without PWM', () => {
  test.each([
    [100, 0],
    [127, 0],
    [128, 1],
    [200, 1],
  ])('%i of 255 is off below the middle and on from there', (duty, lit) => {
    const trace = runOn({ rows: LED('13'), source: dims(13, duty) });
    expect(trace.leds.get('D1')!.at(-1)!.currentMa > 1 ? 1 : 0).toBe(lit);
    expect(trace.beyondPins).toEqual([{ pin: '13', what: 'dim', line: 1, isTaken: false }]);
  });

  test.each([0, 255])('%i asks for nothing that it cannot do', (duty) => {
    expect(runOn({ rows: LED('13'), source: dims(13, duty) }).beyondPins).toEqual([]);
  });

  test('is told of one that has lost it to a servo', () => {
    const servo = '#include <Servo.h>\nServo arm;\n';
    const source = `${servo}void setup() { arm.attach(6); analogWrite(9, 100); }\nvoid loop() { delay(100); }`;
    expect(runOn({ rows: LED('9'), source }).beyondPins).toMatchObject([{ pin: '9', isTaken: true }]);
    expect(runOn({ rows: LED('5'), source: source.replace('(9', '(5') }).beyondPins).toEqual([]);
  });
});

describe('measuring at a pin without a converter', () => {
  const source = `void setup() { Serial.begin(9600); }\nvoid loop() { Serial.println(analogRead(13)); delay(500); }`;

  test('gives noise, whatever lies on it, and is noted', () => {
    const rows = 'W1,wire,red,1,U1.13\nW1,wire,red,2,U1.5V';
    const trace = runOn({ rows, source, floatingReads: 'noise', seed: 3 });
    expect(new Set(printedBy(trace).trim().split('\n')).size).toBeGreaterThan(2);
    expect(trace.beyondPins).toMatchObject([{ pin: '13', what: 'measure', line: 2 }]);
  });
});

describe('a serial line that has started', () => {
  const source = (begin: string): string =>
    `void setup() { pinMode(1, OUTPUT); ${begin} digitalWrite(1, LOW); }\nvoid loop() { digitalWrite(1, LOW); delay(100); }`;

  test('keeps its sending pin high, whatever the program writes to it', () => {
    const lit = (begin: string): boolean =>
      runOn({ rows: LED('1'), source: source(begin) })
        .leds.get('D1')!
        .at(-1)!.currentMa > 1;
    expect(lit('')).toBe(false);
    expect(lit('Serial.begin(9600);')).toBe(true);
  });

  test('is no use of a pin by the program itself', () => {
    const own = 'void setup() { Serial.begin(9600); }\nvoid loop() { Serial.println(1); delay(100); }';
    expect([...runOn({ rows: LED('1'), source: own }).pins.keys()]).toEqual([]);
    expect([...runOn({ rows: LED('1'), source: source('Serial.begin(9600);') }).pins.keys()]).toEqual(['1']);
  });
});
