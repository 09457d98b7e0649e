import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { unbrokenParts } from './unbrokenParts';

const whole = (text: string) =>
  unbrokenParts(text)
    .filter(({ isWhole }) => isWhole)
    .map(({ text: part }) => part);

test.each([
  ['both together only from 12 kHz, into 4 Ω.', ['12 kHz', '4 Ω']],
  ['Sail panel, left gets up to 12 W RMS and stands 10 W.', ['12 W', '10 W']],
  ['2.4 ± 0.6 mm are left; −1.0 ± 3.4 mm are not', ['2.4 ± 0.6 mm', '−1.0 ± 3.4 mm']],
  ['A cable of 21 mm² loses 0.4 V over 5.5 m', ['21 mm²', '0.4 V', '5.5 m']],
  ['2 blades and their receptacles; 3 inches; 12 metres; 4 spare', []],
  ['', []],
])('%j', (text, figures) => {
  expect(whole(text)).toEqual(figures);
});

test('nothing is lost, and nothing comes twice', () => {
  const text = fc.stringMatching(/^[0-9 .,±−mkHzΩWV²a-f]{0,40}$/u);
  fc.assert(
    fc.property(text, (given) => {
      expect(
        unbrokenParts(given)
          .map((part) => part.text)
          .join(''),
      ).toBe(given);
    }),
  );
});
