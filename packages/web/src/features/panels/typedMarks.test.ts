import { expect, test } from '@jest/globals';
import { markedText, markedTyped, readMarks } from './typedMarks';

test.each([
  ['', []],
  ['20 85', [{ x: 20, y: 85 }]],
  [
    ' 20,85 ;40 90; ',
    [
      { x: 20, y: 85 },
      { x: 40, y: 90 },
    ],
  ],
])('“%s” is read, and comes back as it is written', (text, marks) => {
  expect(markedTyped.parse(text)).toEqual(marks);
  expect(readMarks(markedText(marks)).marks).toEqual(marks);
});

test.each(['20', '20 101', '-1 5', 'left', '20 30 40', '1.5 2'])(
  '“%s” is told apart, and what was before it stays',
  (text) => {
    expect(readMarks(`5 6; ${text}`)).toEqual({ marks: [{ x: 5, y: 6 }], unread: text });
    expect(markedTyped.safeParse(text).error?.issues[0]?.message).toContain(`“${text}” was read; type two figures`);
  },
);
