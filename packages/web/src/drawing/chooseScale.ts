/** Scales that a drawing may have: those of ISO 5455 (2:1, 1:1, 1:2, 1:5) and the steps between that workshops use. */
export type Scale = { readonly ratio: number; readonly label: string };

/** CSS defines 96 px to the inch; a screen may differ, and the label says what the page claims. */
export const PX_PER_MM = 96 / 25.4;

const SCALES: readonly Scale[] = [
  { ratio: 2, label: '2 : 1' },
  { ratio: 1.5, label: '1.5 : 1' },
  { ratio: 1.25, label: '1.25 : 1' },
  { ratio: 1, label: '1 : 1' },
  { ratio: 1 / 1.25, label: '1 : 1.25' },
  { ratio: 1 / 1.5, label: '1 : 1.5' },
  { ratio: 1 / 1.75, label: '1 : 1.75' },
  { ratio: 1 / 2, label: '1 : 2' },
  { ratio: 1 / 2.5, label: '1 : 2.5' },
  { ratio: 1 / 3, label: '1 : 3' },
  { ratio: 1 / 4, label: '1 : 4' },
  { ratio: 1 / 5, label: '1 : 5' },
];
const SMALLEST: Scale = { ratio: 1 / 10, label: '1 : 10' };

/** The largest scale at which so many millimetres fit into so many pixels. */
export function chooseScale(widthMm: number, heightMm: number, widthPx: number, heightPx: number): Scale {
  const most = Math.min(widthPx / (widthMm * PX_PER_MM), heightPx / (heightMm * PX_PER_MM));
  return SCALES.find(({ ratio }) => ratio <= most) ?? SMALLEST;
}
