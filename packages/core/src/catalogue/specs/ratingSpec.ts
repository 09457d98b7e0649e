/** What a maker says of power besides RMS, in words. */
import { type Rating, readPowerCell } from '../../cells';
import { fail, ok } from '../../result';
import type { Spec } from './Spec';

type Other = { readonly watt: number; readonly kind: Exclude<Rating['kind'], 'RMS'> } | null;

const WOULD = 'Such as 180 W peak, 20-60 W, or 180 W where nobody says of which kind, would do.';

export const ratingSpec = (key: string, label: string): Spec => ({
  ...{ key, label, hint: 'Such as: 180 W peak, 20-60 W, or 180 W.' },
  read: (text) => {
    if (text.trim() === '') return ok(null);
    const read = readPowerCell(text, 'unstated');
    const [first] = read.ok ? read.value : [];
    return first && first.kind !== 'RMS' ? ok(first) : fail(`“${text.slice(0, 20)}” was read. ${WOULD}`);
  },
  print: (rating: Other) => {
    if (!rating) return '';
    const { watt, kind } = rating;
    return { peak: `${watt} W peak`, range: `0-${watt} W`, unstated: `${watt} W` }[kind];
  },
});
