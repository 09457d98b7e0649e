/** What a supplier's list changes, and has changed, in words. */
import { type PartKind, partKindWord } from '@low-quarry/core/catalogue';
import type { ListImported } from '@low-quarry/core/contracts/supplierLists';
import { aKind, kindPlural } from '@low-quarry/core/lists';

/** Of a column as a spreadsheet names it: A, B, … Z, AA. */
export function columnName(at: number): string {
  const letter = String.fromCharCode(65 + (at % 26));
  return at < 26 ? letter : `${columnName(Math.floor(at / 26) - 1)}${letter}`;
}

type Changes = Pick<ListImported, 'of' | 'added' | 'changed' | 'newParts' | 'changedParts' | 'claims'>;

/** Such as "400 new speakers, 3 new offers and 12 changed ones". */
export function changeWords({ of, added, changed, newParts, changedParts, claims }: Changes): string {
  const parts = [
    newParts > 0 && `${newParts.toLocaleString('en')} new ${kindOf(newParts, of)}`,
    changedParts > 0 && `other figures of ${changedParts.toLocaleString('en')} ${kindOf(changedParts, of)}`,
    added > 0 && count(added, 'new offer'),
    changed > 0 && (added > 0 ? count(changed, 'changed one') : count(changed, 'changed offer')),
    claims > 0 && count(claims, 'new claim'),
  ].filter((each) => each !== false);
  return [parts.slice(0, -1).join(', '), ...parts.slice(-1)].filter((each) => each !== '').join(' and ');
}

/** What it would do besides what it changes, a sentence each. */
export function restWords(
  supplier: string,
  {
    of,
    same,
    carsElsewhere,
    unknown,
    gone,
    keptOut,
    priceRatio,
    notCompared,
    datums,
  }: Pick<
    ListImported,
    'of' | 'carsElsewhere' | 'same' | 'unknown' | 'gone' | 'keptOut' | 'priceRatio' | 'notCompared' | 'datums'
  >,
): readonly string[] {
  const sentences = [
    priceRatio !== null && `Of the prices that change, the middle one ${ratioWords(priceRatio)}.`,
    same > 0 && `${count(same, 'row')} ${same === 1 ? 'says' : 'say'} what is here already.`,
    unknown > 0 &&
      `${count(unknown, 'row')} ${unknown === 1 ? 'is' : 'are'} of no part of this library, and ${unknown === 1 ? 'says' : 'say'} too little of ${aKind(of)} to be one.`,
    carsElsewhere > 0 &&
      `${count(carsElsewhere, 'car')} that ${carsElsewhere === 1 ? 'it names is' : 'it names are'} not in this library: nothing is noted of ${carsElsewhere === 1 ? 'it' : 'them'}.`,
    ...datums.map(datumWords),
    notCompared > 0 &&
      `${count(notCompared, 'speaker')} ${notCompared === 1 ? 'has' : 'have'} too few figures, or too few of ${notCompared === 1 ? 'its' : 'their'} kind, to be compared with: nothing of ${notCompared === 1 ? 'it' : 'them'} is doubted, and nothing is borne out.`,
    keptOut > 0 && `${count(keptOut, 'row')} ${keptOut === 1 ? 'stays' : 'stay'} out, by the findings below.`,
    gone > 0 &&
      `${count(gone, 'offer')} of ${supplier} ${gone === 1 ? 'is' : 'are'} not in the list, and ${gone === 1 ? 'stays' : 'stay'}.`,
  ];
  return sentences.filter((each) => each !== false);
}

export function datumWords({ maker, speakers, overMm, flangeMm, chance }: ListImported['datums'][number]): string {
  const seen = `The depths of ${maker} stand ${overMm.toFixed(1)} mm over what their other figures let expect, seen by ${count(speakers, 'speaker')}; their flanges are ${flangeMm.toFixed(1)} mm thick.`;
  return `${seen} ${Math.min(99, Math.round(100 * chance))} % likely that this maker counts from the top of the flange: ask, or measure one. As long as nobody says, each counts as possible.`;
}

function ratioWords(ratio: number): string {
  const percent = Math.round(Math.abs(ratio - 1) * 1000) / 10;
  if (percent === 0) return 'stays as it is';
  return `goes ${ratio > 1 ? 'up' : 'down'} by ${percent} %`;
}

function kindOf(number: number, kind: PartKind): string {
  return number === 1 ? partKindWord(kind).toLowerCase() : kindPlural(kind);
}

function count(number: number, what: string): string {
  return `${number.toLocaleString('en')} ${what}${number === 1 ? '' : 's'}`;
}
