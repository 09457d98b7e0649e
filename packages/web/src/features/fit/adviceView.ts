/** Advice in words: what to measure and what it settles, what ordering now costs, and what would make it clear. */

import type { ListedById } from '@low-quarry/core/catalogue';
import { orderedId, partName } from '@low-quarry/core/catalogue';
import type { Advice, Change, OpeningDimensionKey, Question } from '@low-quarry/core/fit';
import { effortWords, ringThicknessMm, workWords } from '@low-quarry/core/fit';
import { OPENING_DIMENSIONS, SOURCES } from '@low-quarry/core/model';
import type { LengthUnit } from '@low-quarry/core/units';
import { printMoney } from '../../text/money';
import { termWords } from '../../text/termWords';

/** "Measure the depth at the top with the depth stick: 31 of 44 open candidates are settled." */
export function openingQuestionWords({ key, instrument, settled, open }: Question): string {
  const what = `Measure the ${dimensionWords(key)} with the ${instrumentWords(instrument)}`;
  const whole = Math.floor(settled);
  if (open === 1) return `${what}: that settles it ${chanceWords(settled)}.`;
  if (whole === 0)
    return `No single measurement is likely to settle one of the ${open} open candidates; the ${dimensionWords(key)} with the ${instrumentWords(instrument)} tells most.`;
  return `${what}: ${whole} of ${open} open candidates ${whole === 1 ? 'is' : 'are'} settled.`;
}

export function candidateQuestionWords({ key, instrument, settled }: Question): string {
  return `For this one: measure the ${dimensionWords(key)} with the ${instrumentWords(instrument)}; that settles it ${chanceWords(settled)}.`;
}

export function chanceLine({ chance }: Advice): string | null {
  return chance === null ? null : `Fits as a whole with a chance of ${percent(chance)}.`;
}

export function costLine({ costs }: Advice, currency: string): string | null {
  if (!costs) return null;
  const now = printMoney(Math.round(costs.orderNowMinor), currency);
  const measured = printMoney(Math.round(costs.measureMinor), currency);
  const verdict = costs.better === 'order' ? 'ordering now is cheaper' : 'measuring first is cheaper';
  return `Expected cost of a return when ordered now ${now}, of measuring first ${measured}: ${verdict}.`;
}

export function changeWords(change: Change, parts: ListedById, stack: string, unit: LengthUnit): string {
  switch (change.kind) {
    case 'spacer':
      return change.layerIds.some((id) => isRing(id, parts)) ? `Other rings: ${stack}.` : 'Leave the ring out.';
    case 'bracket':
      return `Other bracket: ${stack}.`;
    case 'smaller': {
      const speaker = parts.get(orderedId(change.speakerId));
      const size = speaker?.kind === 'speaker' ? `, ${speaker.nominalSize}` : '';
      return `Smaller size: ${speaker ? partName(speaker) : change.speakerId}${size}, ${stack}.`;
    }
    case 'byHand':
      return change.works.map((work) => workWords(work, unit)).join(' ');
  }
}

/** What a change takes beyond other parts; null where it is nothing. */
export function changeEffort({ works }: Change): string | null {
  return works.length > 0 ? works.map(effortWords).join(' ') : null;
}

function isRing(id: string, parts: ListedById): boolean {
  return ringThicknessMm(id) !== null || parts.get(id)?.kind === 'spacer';
}

function dimensionWords(key: string): string {
  const known = OPENING_DIMENSIONS[key as OpeningDimensionKey];
  if (known) return known.label.toLowerCase();
  // Of the opening unless it says of which part.
  return termWords(/^(speaker|bracket|spacer)\d?\./.test(key) ? key : `opening.${key}`).toLowerCase();
}

function instrumentWords(instrument: string): string {
  return (SOURCES[instrument as keyof typeof SOURCES]?.label ?? instrument).toLowerCase();
}

function chanceWords(share: number): string {
  return share > 0.95 ? 'almost surely' : `with a chance of ${percent(share)}`;
}

/** What is lost in a multiplication. */
const ROUNDING = 1e-9;

/** Down, so that a chance is never made to look better; "over 99 %" and "under 1 %" at the ends. */
function percent(share: number): string {
  const whole = Math.floor(share * 100 + ROUNDING);
  if (whole >= 99) return 'over 99 %';
  return whole < 1 ? 'under 1 %' : `${whole} %`;
}
