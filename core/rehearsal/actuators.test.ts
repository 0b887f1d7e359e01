import { describe, expect, test } from 'vitest';
import { ref } from '../brand';
import { printedBy, runOn } from '../testing/bench';

const SERVO = `M1,servo,,signal,U1.9
M1,servo,,plus,G1.plus
M1,servo,,minus,G1.minus
G1,battery,4x1.5V,plus,
G1,battery,4x1.5V,minus,
W1,clip,,1,G1.minus
W1,clip,,2,U1.GND`;

const angles = (trace: ReturnType<typeof runOn>) =>
  trace.angles.get(ref('M1'))!.map(({ at, degrees }) => [Math.round(at * 100) / 100, Math.round(degrees)]);

describe('a servo', () => {
  test('turns to the angle that is written', () => {
    const source = `#include <Servo.h>
Servo gate;
void setup() { gate.attach(9); gate.write(0); delay(500); gate.write(90); delay(500); gate.writeMicroseconds(2400); }
void loop() { }`;
    expect(angles(runOn({ rows: SERVO, source }))).toEqual([
      [0, 90],
      [0, 0],
      [0.5, 90],
      [1, 180],
    ]);
  });

  test('takes what is no width of a pulse as an angle of at most 180°', () => {
    const source = `#include <Servo.h>
Servo gate;
void setup() { gate.attach(9); gate.write(0); delay(500); gate.write(204); delay(500); gate.write(-5); delay(500);
  gate.write(543); }
void loop() { }`;
    expect(angles(runOn({ rows: SERVO, source })).slice(1)).toEqual([
      [0, 0],
      [0.5, 180],
      [1, 0],
      [1.5, 180],
    ]);
  });

  test('reads back what was written, and knows whether it is attached', () => {
    const source = `#include <Servo.h>
Servo flags[2];
void setup() { Serial.begin(9600); flags[1].attach(9); flags[1].write(37);
  Serial.print(flags[1].read()); Serial.print(flags[0].attached()); Serial.print(flags[1].attached()); }
void loop() { }`;
    expect(printedBy(runOn({ rows: SERVO, source }))).toBe('3701');
  });

  test('follows pulses that the program makes by itself', () => {
    const source = `void setup() { pinMode(9, OUTPUT); }
void loop() { digitalWrite(9, HIGH); delayMicroseconds(1472); digitalWrite(9, LOW); delay(18); }`;
    const [[, degrees]] = angles(runOn({ rows: SERVO, source })) as [[number, number]];
    expect(degrees).toBeGreaterThan(88);
    expect(degrees).toBeLessThan(97);
  });

  test('does nothing without a common ground, without supply, or on another pin', () => {
    const source = `#include <Servo.h>
Servo gate; void setup() { gate.attach(9); gate.write(45); } void loop() { }`;
    for (const rows of [
      SERVO.replace(/W1.*\n?/g, ''),
      SERVO.replace('M1,servo,,plus,G1.plus', 'M1,servo,,plus,'),
      SERVO.replace('U1.9', 'U1.10'),
    ])
      expect(angles(runOn({ rows, source }))).toEqual([]);
  });

  test('takes the PWM of pins 9 and 10 away from everything else', () => {
    const source = `#include <Servo.h>
Servo gate; void setup() { analogWrite(10, 100); gate.attach(9); analogWrite(10, 120); analogWrite(11, 120); } void loop() { }`;
    const { pins } = runOn({ rows: SERVO, source });
    expect(pins.get('10')!.map(({ drive }) => drive.mode)).toEqual(['pwm', 'low']);
    expect(pins.get('11')!.map(({ drive }) => drive.mode)).toEqual(['pwm']);
  });
});

const BUZZERS = `Z1,buzzer,passive,plus,U1.8
Z1,buzzer,passive,minus,U1.GND
Z2,buzzer,active,plus,U1.7
Z2,buzzer,active,minus,U1.GND`;

describe('a buzzer', () => {
  const hertz = (trace: ReturnType<typeof runOn>, name: string) =>
    trace.sounds.get(ref(name))!.map((change) => [Math.round(change.at * 100) / 100, change.hertz]);

  test('that is passive sounds with the tone of its pin, for as long as it is said', () => {
    const source =
      'void setup() { tone(8, 440, 500); delay(1000); tone(8, 880); delay(250); noTone(8); } void loop() { }';
    expect(hertz(runOn({ rows: BUZZERS, source }), 'Z1')).toEqual([
      [0, 0],
      [0, 440],
      [0.5, 0],
      [1, 880],
      [1.25, 0],
    ]);
  });

  test('that is active has its own pitch and needs only a level', () => {
    const source =
      'void setup() { pinMode(7, OUTPUT); digitalWrite(7, HIGH); delay(300); digitalWrite(7, LOW); } void loop() { }';
    expect(hertz(runOn({ rows: BUZZERS, source }), 'Z2')).toEqual([
      [0, 0],
      [0, 2300],
      [0.3, 0],
    ]);
  });

  test('keeps silent under a steady level when it is passive', () => {
    const source = 'void setup() { pinMode(8, OUTPUT); digitalWrite(8, HIGH); } void loop() { }';
    expect(hertz(runOn({ rows: BUZZERS, source }), 'Z1').every(([, tone]) => tone === 0)).toBe(true);
  });

  test('takes the PWM of pins 3 and 11 away while it sounds', () => {
    const source =
      'void setup() { tone(8, 440); analogWrite(11, 100); noTone(8); analogWrite(11, 100); } void loop() { }';
    expect(
      runOn({ rows: BUZZERS, source })
        .pins.get('11')!
        .map(({ drive }) => drive.mode),
    ).toEqual(['low', 'pwm']);
  });
});

const REGISTER = `B1,breadboard,full,,
X1,shift-register,,q1,B1.e10
X1,shift-register,,q2,B1.e11
X1,shift-register,,q3,B1.e12
X1,shift-register,,q4,B1.e13
X1,shift-register,,q5,B1.e14
X1,shift-register,,q6,B1.e15
X1,shift-register,,q7,B1.e16
X1,shift-register,,gnd,B1.e17
X1,shift-register,,vcc,B1.f10
X1,shift-register,,q0,B1.f11
X1,shift-register,,data,B1.f12
X1,shift-register,,enable,B1.f13
X1,shift-register,,latch,B1.f14
X1,shift-register,,clock,B1.f15
X1,shift-register,,clear,B1.f16
X1,shift-register,,carry,B1.f17
W1,wire,red,1,U1.5V
W1,wire,red,2,B1.j10
W2,wire,red,1,B1.i10
W2,wire,red,2,B1.j16
W3,wire,black,1,U1.GND
W3,wire,black,2,B1.a17
W4,wire,black,1,B1.b17
W4,wire,black,2,B1.j13
W5,wire,green,1,U1.11
W5,wire,green,2,B1.j12
W6,wire,green,1,U1.12
W6,wire,green,2,B1.j15
W7,wire,green,1,U1.8
W7,wire,green,2,B1.j14
R1,resistor,330,1,B1.j11
R1,resistor,330,2,B1.j20
D1,led,red,anode,B1.i20
D1,led,red,cathode,B1.i22
W8,wire,black,1,B1.c17
W8,wire,black,2,B1.j22
R2,resistor,330,1,B1.a16
R2,resistor,330,2,B1.a20
D2,led,red,anode,B1.b20
D2,led,red,cathode,B1.b22
W9,wire,black,1,B1.d17
W9,wire,black,2,B1.a22`;

describe('a shift register', () => {
  const source = (
    value: string,
  ) => `void show(byte value) { digitalWrite(8, LOW); shiftOut(11, 12, MSBFIRST, value); digitalWrite(8, HIGH); }
void setup() { pinMode(8, OUTPUT); pinMode(11, OUTPUT); pinMode(12, OUTPUT); show(${value}); } void loop() { }`;
  const lit = (value: string) => {
    const { leds: leds } = runOn({ rows: REGISTER, source: source(value) });
    return ['D1', 'D2'].map((name) => leds.get(name)!.at(-1)!.currentMa > 1);
  };

  test('shows what was shifted in when it is latched: the last bit on its first output', () => {
    expect(lit('B00000001')).toEqual([true, false]);
    expect(lit('B10000000')).toEqual([false, true]);
    expect(lit('B10000001')).toEqual([true, true]);
  });
});

describe('a distance sensor', () => {
  const ROWS = `X1,distance-sensor,,vcc,U1.5V
X1,distance-sensor,,trig,U1.7
X1,distance-sensor,,echo,U1.6
X1,distance-sensor,,gnd,U1.GND`;
  const source = `void setup() { Serial.begin(9600); pinMode(7, OUTPUT); pinMode(6, INPUT); }
void loop() { digitalWrite(7, LOW); delayMicroseconds(2); digitalWrite(7, HIGH); delayMicroseconds(10); digitalWrite(7, LOW);
  Serial.println(pulseIn(6, HIGH) * 0.01715); delay(500); }`;

  test('answers with a pulse as long as sound takes there and back', () => {
    const trace = runOn({ rows: ROWS, source, stimuli: [{ at: 0.3, distance: 'X1', to: 0.25 }] });
    const [far, near] = printedBy(trace).split('\r\n').map(Number);
    expect(far).toBeCloseTo(100, 0);
    expect(near).toBeCloseTo(25, 0);
  });
});

describe('a text display', () => {
  const ROWS = `X1,text-display,,sda,U1.A4
X1,text-display,,scl,U1.A5
X1,text-display,,vcc,U1.5V
X1,text-display,,gnd,U1.GND`;
  const source = (address = '0x27') => `#include <Wire.h>
#include <LiquidCrystal_I2C.h>
LiquidCrystal_I2C lcd(${address}, 16, 2);
void setup() { lcd.init(); lcd.backlight(); lcd.print("Tide"); lcd.setCursor(4, 1); lcd.print(2.5, 1); lcd.print(String(" m")); } void loop() { }`;

  test('shows the letters where its cursor stands', () => {
    const { texts } = runOn({ rows: ROWS, source: source() });
    expect(texts.get(ref('X1'))!.at(-1)!.lines).toEqual(['Tide            ', '    2.5 m       ']);
  });

  test('shows nothing before it is made ready', () => {
    const { texts } = runOn({ rows: ROWS, source: source().replace('lcd.init(); ', '') });
    expect(texts.get(ref('X1'))!.at(-1)!.lines.join('').trim()).toBe('');
  });

  test('shows nothing at another address or with its lines interchanged', () => {
    expect(runOn({ rows: ROWS, source: source('0x3F') }).texts.size).toBe(0);
    const swapped = ROWS.replace('U1.A4', 'U1.X').replace('U1.A5', 'U1.A4').replace('U1.X', 'U1.A5');
    expect(runOn({ rows: swapped, source: source() }).texts.size).toBe(0);
  });
});

describe('LED panels', () => {
  const ROWS = `X1,led-matrix,,vcc,G1.plus
X1,led-matrix,,gnd,G1.minus
X1,led-matrix,,din,U1.12
X1,led-matrix,,cs,U1.10
X1,led-matrix,,clk,U1.11
G1,supply,5V,plus,
G1,supply,5V,minus,
W1,clip,,1,G1.minus
W1,clip,,2,U1.GND`;
  const source = `#include <LedControl.h>
const int DATA = 12, CLOCK = 11, SELECT = 10;
LedControl panel = LedControl(DATA, CLOCK, SELECT, 1);
void setup() { panel.shutdown(0, false); panel.setIntensity(0, 8); panel.clearDisplay(0); panel.setRow(0, 0, B00111100); panel.setLed(0, 7, 0, true); }
void loop() { }`;

  test('show rows and single LEDs', () => {
    const { pictures } = runOn({ rows: ROWS, source });
    expect(pictures.get(ref('X1'))!.at(-1)!.rows).toEqual([0x3c, 0, 0, 0, 0, 0, 0, 0x80]);
  });

  test('declared with names between the parentheses are the same', () => {
    const other = source.replace('panel = LedControl(', 'panel(');
    expect(runOn({ rows: ROWS, source: other }).pictures).toEqual(runOn({ rows: ROWS, source }).pictures);
  });

  test('stay dark while they sleep', () => {
    const { pictures } = runOn({ rows: ROWS, source: source.replace('panel.shutdown(0, false);', '') });
    expect(
      pictures
        .get(ref('X1'))!
        .at(-1)!
        .rows.every((row) => row === 0),
    ).toBe(true);
  });
});
