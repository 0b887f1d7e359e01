import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { partKinds } from '../parts';
import { terms } from './terms';
import { articleOf, howMany, inWords, plural, uncapital, withArticle } from './words';

describe('a sentence in plain words', () => {
  test.each([
    ['An LED is the wrong way round.', 'A lamp is the wrong way round.'],
    ['Turn the red LED D1 round.', 'Turn the red lamp D1 round.'],
    ['LEDs in series need more.', 'Lamps in series need more.'],
    ['It is lit. LED D1 is not.', 'It is lit. Lamp D1 is not.'],
    ['Take an RGB LED or an LED bar.', 'Take a three-colour lamp or a lamp bar.'],
    ['Two LED matrices.', 'Two lamp panels.'],
    ['A 10 kΩ potentiometer', 'A 10 kΩ knob'],
    ['a push button on 2', 'a button on 2'],
    ['An LCD shows text.', 'A text display shows text.'],
    ['Add a delay after line 4.', 'Add a pause after line 4.'],
    ['Add delay(500); after line 4.', 'Add delay(500); after line 4.'],
    ['Write LED_PIN, not “LED”.', 'Write LED_PIN, not “LED”.'],
  ])('%s', (technical, plain) => {
    expect(inWords(technical, 'plain')).toBe(plain);
    expect(inWords(technical, 'technical')).toBe(technical);
  });

  test('has no technical word left, and none of a part of a word', () => {
    for (const { technical, plain } of terms) {
      expect(inWords(`the ${technical} and two ${plural(technical)}`, 'plain')).toBe(
        `the ${plain} and two ${plural(plain)}`,
      );
      if (!technical.includes(' '))
        for (const name of [`${technical}_PIN`, `my${technical}`, `${technical}(500)`])
          expect(inWords(name, 'plain')).toBe(name);
    }
  });

  test('said again in plain words stays as it is', () => {
    const words = fc.constantFrom(
      ...terms.flatMap(({ technical }) => [technical, plural(technical)]),
      'a',
      'the',
      'red',
    );
    fc.assert(
      fc.property(fc.array(words, { maxLength: 8 }), (said) => {
        const once = inWords(said.join(' '), 'plain');
        expect(inWords(once, 'plain')).toBe(once);
        expect(once).not.toMatch(/ {2}/);
      }),
    );
  });
});

describe('articles', () => {
  test.each([
    ['an', 'LED'],
    ['an', 'amber LED'],
    ['a', 'red LED'],
    ['an', 'RGB LED'],
    ['an', 'NPN transistor'],
    ['an', 'LCD'],
    ['a', 'DC motor'],
    ['an', '8×8 LED matrix'],
    ['a', '10k resistor'],
    ['an', '18 Ω resistor'],
    ['a', '180 Ω resistor'],
    ['an', '11 Ω resistor'],
    ['a', 'one-row header'],
    ['an', 'electrolytic capacitor'],
    ['a', 'USB plug'],
  ])('%s %s', (article, phrase) => {
    expect(articleOf(phrase)).toBe(article);
  });

  test('fit the title of every kind, in either words', () => {
    for (const { title } of partKinds)
      for (const choice of ['technical', 'plain'] as const)
        expect(inWords(withArticle(title), choice)).toMatch(/^(?:an (?:[aeiou]|LED|RGB|LCD|NPN)|a [^aeiou])/);
  });
});

test('a sentence that goes on keeps the capitals of its acronyms', () => {
  expect(uncapital('In the wrong row')).toBe('in the wrong row');
  expect(uncapital('LED without a resistor')).toBe('LED without a resistor');
});

test('a count has its plural', () => {
  expect(howMany(1, 'LED')).toBe('one LED');
  expect(howMany(3, 'LED matrix')).toBe('3 LED matrices');
  expect(howMany(2, 'battery')).toBe('2 batteries');
});
