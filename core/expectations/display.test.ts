import { describe, expect, test } from 'vitest';
import { exerciseSaid } from '../testing/exercise-said';
import { reportOnSlip } from '../testing/said-slips';

const reading = (sentence: string) =>
  exerciseSaid({
    id: 'reading',
    board: 'learner-5v',
    lines: ['LCD'],
    program: `#include <LiquidCrystal_I2C.h>
LiquidCrystal_I2C lcd(0x27, 16, 2);

void setup() {
  lcd.init();
  lcd.backlight();
  lcd.print("119 cm at -4.5");
}

void loop() {}
`,
    scenarios: [{ name: 'reads', lasts: 2, done: [], seen: [sentence] }],
  });
const passes = (sentence: string): boolean => reportOnSlip(reading(sentence), {}).scenarios[0]!.passed;

describe('what a display reads', () => {
  test('is read to the letter where nothing else is said', () => {
    expect(passes('X1 reads “119 cm at -4.5”')).toBe(true);
    expect(passes('X1 reads “120 cm at -4.5”')).toBe(false);
  });

  test('may be off in its numbers by what is said, and in nothing else', () => {
    expect(passes('X1 reads “120 cm at -4.4”, give or take 3 %')).toBe(true);
    expect(passes('X1 reads “130 cm at -4.5”, give or take 3 %')).toBe(false);
    expect(passes('X1 reads “119 mm at -4.5”, give or take 3 %')).toBe(false);
    expect(passes('X1 reads “119 cm”, give or take 3 %')).toBe(false);
  });
});
