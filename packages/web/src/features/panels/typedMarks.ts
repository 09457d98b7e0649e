/** Places on a panel's drawing as a line of text: "20 85; 40 90", hundredths of its width and height. */
import { type PanelMark, panelMarkSchema } from '@low-quarry/core/model';
import { z } from 'zod';

const EXPECTED = 'type two figures from 0 to 100 for each place, such as 20 85; 40 90, or press it on the drawing';

export function markedText(marks: readonly PanelMark[]): string {
  return marks.map(({ x, y }) => `${x} ${y}`).join('; ');
}

/** What of a text can be read: while it is typed, some of it cannot. */
export function readMarks(text: string): { readonly marks: PanelMark[]; readonly unread: string | null } {
  const marks: PanelMark[] = [];
  for (const place of text.split(';').map((each) => each.trim())) {
    if (place === '') continue;
    const [x, y, ...more] = place.split(/[\s,]+/).map(Number);
    const read = panelMarkSchema.safeParse({ x, y });
    if (!read.success || more.length > 0) return { marks, unread: place };
    marks.push(read.data);
  }
  return { marks, unread: null };
}

export const markedTyped = z.string().transform((text, context) => {
  const { marks, unread } = readMarks(text);
  if (unread === null) return marks;
  context.addIssue({ code: 'custom', message: `“${unread.slice(0, 20)}” was read; ${EXPECTED}.` });
  return z.NEVER;
});
