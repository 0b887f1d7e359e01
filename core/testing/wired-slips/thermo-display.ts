import type { WiredSlips } from './wired-slips';

export const thermoDisplay: WiredSlips = {
  said: {
    id: 'thermo-display',
    board: 'learner-5v',
    lines: ['temperature sensor on A0', 'LCD on I2C', 'red LED on 6'],
    program: `#include <Wire.h>
#include <LiquidCrystal_I2C.h>
LiquidCrystal_I2C lcd(0x27, 16, 2);
void setup() {
  lcd.init();
  lcd.backlight();
  pinMode(6, OUTPUT);
}
void loop() {
  int value = analogRead(A0);
  float volts = value * 5.0 / 1023;
  int celsius = (volts - 0.5) * 100;
  lcd.setCursor(0, 0);
  lcd.print("Temp: ");
  lcd.print(celsius);
  lcd.print(" ");
  digitalWrite(6, celsius > 30);
  delay(500);
}
`,
    scenarios: [
      { name: 'cool', lasts: 3, done: ['T1 is at 20 °C'], seen: ['D1 is off from 1 s'] },
      {
        name: 'hot',
        lasts: 4,
        done: ['T1 is at 20 °C', 'warm T1 to 40 °C at 2 s'],
        seen: ['D1 is on from 3 s'],
      },
    ],
  },
  slips: [
    [
      'sda scl',
      'W8.2=U1.A5 W9.2=U1.A4',
      'works-at-risk',
      ['wrong-pin'],
      ['Swap the green wire W8 and the blue wire W9: put W8 in pin A4, and W9 in pin A5.'],
    ],
    [
      'display shift',
      'X1.gnd=B1.e10 X1.vcc=B1.e11 X1.sda=B1.e12 X1.scl=B1.e13',
      'works-at-risk',
      ['off-by-one'],
      ['Move the two-line LCD X1 by one row, all its legs together: to e9, e10, e11 and e12.'],
    ],
    [
      'display turned',
      'X1.gnd=B1.e12 X1.vcc=B1.e11 X1.sda=B1.e10 X1.scl=B1.e9',
      'works-at-risk',
      ['module-lines-swapped'],
      ['Take the two-line LCD X1 out, turn it round, and put it back in.'],
    ],
    [
      'sensor turned',
      'T1.vcc=B1.e7 T1.gnd=B1.e5',
      'does-not-work',
      ['module-lines-swapped'],
      ['Take the temperature sensor T1 out, turn it round, and put it back in.'],
    ],
    [
      'sensor out a1',
      'W7.2=U1.A1',
      'does-not-work',
      ['wrong-pin'],
      ['Move the end of the yellow wire W7 from pin A1 to pin A0.'],
    ],
    [
      'sensor 3v3',
      'W4.1=U1.3V3',
      'works-differently',
      ['voltage-mismatch'],
      ['Move the end of the red wire W4 from 3V3 to the plus rail, hole a+2.'],
    ],
    [
      'display 3v3',
      'W5.1=U1.3V3',
      'works-at-risk',
      ['voltage-mismatch'],
      ['Move the end of the red wire W5 from 3V3 to the plus rail, hole a+2.'],
    ],
    [
      'rail unfed',
      '-W6',
      'does-not-work',
      ['rail-unpowered'],
      ['Add a wire from the plus rail, hole a+1 to 5V.'],
    ],
    [
      'rails swapped',
      'W3.1=B1.a+1 W6.1=B1.a-1',
      'does-not-work',
      ['rail-swapped'],
      [
        'Swap the black wire W3 and the red wire W6: put W3 in the minus rail, hole a-1, and W6 in the plus rail, hole a+1.',
      ],
    ],
    [
      'sda on a3',
      'W8.2=U1.A3',
      'works-at-risk',
      ['wrong-pin'],
      ['Move the end of the green wire W8 from pin A3 to pin A4.'],
    ],
    [
      'display no gnd',
      '-W2',
      'works-at-risk',
      ['leg-open'],
      ['Add a wire from the minus rail, hole a-9 to hole a9.'],
    ],
    [
      'signal row 5',
      'W7.1=B1.b5',
      'does-not-work',
      ['off-by-one'],
      ['Move the end of the yellow wire W7 from hole b5 to hole b6.'],
    ],
    [
      'led rail',
      'R1.2=B1.j-3',
      'does-not-work',
      ['rail-unpowered'],
      [
        'Move the other end of the 330 Ω resistor R1 from the minus rail, hole j-3 to the minus rail, hole a-3.',
      ],
    ],
    [
      'sensor shift',
      'T1.vcc=B1.e4 T1.out=B1.e5 T1.gnd=B1.e6',
      'does-not-work',
      ['off-by-one'],
      ['Move the temperature sensor T1 by one row, all its legs together: to e5, e6 and e7.'],
    ],
    [
      'led in 7',
      'W10.2=U1.7',
      'does-not-work',
      ['wrong-pin'],
      ['Move the end of the white wire W10 from pin 7 to pin 6.'],
    ],
    [
      'rows3 down, led reversed',
      'D1.anode=B1.e20 D1.cathode=B1.e19 R1.1=B1.d20 R1.2=B1.a-20 W10.1=B1.a19',
      'does-not-work',
      ['polarity-reversed'],
      ['Turn the red LED D1 round.'],
    ],
  ],
};
