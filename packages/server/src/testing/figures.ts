/** Figures of a run that is to be written about: a line of JSON each, where `npm run faults` says. */
import { appendFileSync } from 'node:fs';

export function tellFigures(figures: object): void {
  if (process.env.LQ_FIGURES) appendFileSync(process.env.LQ_FIGURES, `${JSON.stringify(figures)}\n`);
}
