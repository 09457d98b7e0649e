/**
 * Which wire at a plug is positive, and what says so. Only a test closes it: what is written or keyed is evidence, and a rule about colours is a
 * guess (common practice, no source). Outputs of radios and amplifiers are mostly bridged, so that neither wire is earth.
 */
import { z } from 'zod';

type Weight = 'tested' | 'evidence' | 'guess' | 'nothing';

const TABLE = {
  notKnown: { label: 'Nobody knows', weight: 'nothing' },
  cell: { label: 'Tested with a cell: the cone moved out', weight: 'tested' },
  meter: { label: 'Tested with a meter, from plug to source', weight: 'tested' },
  tone: { label: 'Tested with a polarity tone', weight: 'tested' },
  keyedAdapter: { label: 'A keyed lead', weight: 'evidence' },
  wiringRecord: { label: 'The wiring record of this very variant and package', weight: 'evidence' },
  markOnOld: { label: 'The mark on the old speaker', weight: 'evidence' },
  otherCar: { label: 'Tested on another car of this variant', weight: 'evidence' },
  colour: { label: 'A rule about colours', weight: 'guess' },
} as const satisfies Readonly<Record<string, { readonly label: string; readonly weight: Weight }>>;

export type PolarityBy = keyof typeof TABLE;
export const POLARITY_BY = Object.keys(TABLE) as [PolarityBy, ...PolarityBy[]];
export const POLARITY_LABELS = Object.fromEntries(POLARITY_BY.map((each) => [each, TABLE[each].label])) as Readonly<
  Record<PolarityBy, string>
>;

export const polaritySchema = z
  .strictObject({
    by: z.enum(POLARITY_BY),
    /** Which it is, as one sees it: "pin 1", "the one with the stripe". */
    positive: z.string().trim().max(60, 'Type at most 60 characters.'),
    /** Of what is written or seen elsewhere, where that is. */
    source: z.string().trim().max(120, 'Type at most 120 characters.'),
  })
  .superRefine(({ by, positive, source }, context) => {
    if (by !== 'notKnown' && positive === '')
      context.addIssue({ code: 'custom', path: ['positive'], message: 'Type which wire or pin is positive.' });
    if (by === 'wiringRecord' && source === '')
      context.addIssue({ code: 'custom', path: ['source'], message: 'Type which record says it.' });
  });
export type Polarity = z.infer<typeof polaritySchema>;

export const POLARITY_NOT_KNOWN: Polarity = { by: 'notKnown', positive: '', source: '' };

/** @param keysProve whether the shop takes a keyed lead for a proof */
export function polarityWeight({ by }: Polarity, keysProve: boolean): Weight {
  return by === 'keyedAdapter' && keysProve ? 'tested' : TABLE[by].weight;
}

/** Of the same plug of another car of the variant: a test made there is evidence here. */
export function carriedPolarity(polarity: Polarity): Polarity {
  return TABLE[polarity.by].weight === 'tested' ? { ...polarity, by: 'otherCar' } : polarity;
}

/** "pin 1 (the mark on the old speaker)"; "not known". */
export function polarityWords({ by, positive, source }: Polarity): string {
  if (by === 'notKnown') return 'not known';
  const label = TABLE[by].label;
  return `${positive} (${label.charAt(0).toLowerCase()}${label.slice(1)}${source === '' ? '' : `: ${source}`})`;
}

/** The pin that is positive, where it is told as one: "pin 1". */
export function positivePin({ positive }: Polarity): number | null {
  const found = /^pin (\d+)$/i.exec(positive.trim());
  return found ? Number(found[1]) : null;
}

/** How much of a car's phase is known: one pair that is reversed cancels the bass of the others. */
export function phaseWords(polarities: readonly Polarity[], keysProve: boolean): string {
  const tested = polarities.filter((each) => polarityWeight(each, keysProve) === 'tested').length;
  if (polarities.length === 0) return 'No speaker is noted: there is no phase yet.';
  if (tested === polarities.length)
    return tested === 1 ? 'Which wire is positive is tested.' : `Which wire is positive is tested at all ${tested}.`;
  return `Which wire is positive is tested at ${tested} of ${polarities.length}: one pair that is reversed cancels the bass of the others.`;
}
