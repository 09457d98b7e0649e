/** The shop's settings, each with what it changes: the settings screen and the history read the same list. */
import { MOST_LIFTS, type ShopSettings, SOURCE_IDS, SOURCES, WEEKDAYS } from '../model';
import { type Field, keyField, plainWords } from './Field';

/** How a setting is typed. */
export type SettingInput =
  | { readonly kind: 'text'; readonly most: number }
  | { readonly kind: 'mm'; readonly least: number; readonly most: number }
  | { readonly kind: 'money' }
  | { readonly kind: 'percent'; readonly least: number; readonly most: number }
  | { readonly kind: 'choice'; readonly options: readonly (readonly [string, string])[] }
  | { readonly kind: 'clock' }
  /** With commas between. */
  | { readonly kind: 'names'; readonly most: number }
  | { readonly kind: 'days' }
  | { readonly kind: 'stock' };

export type SettingField = Field<ShopSettings> & {
  readonly group: SettingGroup;
  /** What changing it changes, in a sentence. */
  readonly changes: string;
  /** Whether verdicts depend on it. */
  readonly judges: boolean;
  readonly input: SettingInput;
};

export const SETTING_GROUPS = [
  'Shop',
  'Required clearances',
  'Confidence',
  'Instruments and sources',
  'Costs',
  'Ways of working',
  'Sheet for rings',
] as const;
export type SettingGroup = (typeof SETTING_GROUPS)[number];

type Extras = Pick<SettingField, 'group' | 'changes' | 'input'> & { readonly judges?: boolean };

function setting(field: Field<ShopSettings>, { judges = false, ...extras }: Extras): SettingField {
  return { ...field, ...extras, judges };
}

/** A field inside one of the settings' objects. */
function inside<Key extends keyof ShopSettings & string>(
  outer: Key,
  inner: string,
  label: string,
  words: (value: unknown) => string = plainWords,
): Field<ShopSettings> {
  return {
    path: `${outer}.${inner}`,
    label,
    read: (shop) => (shop[outer] as Readonly<Record<string, unknown>>)[inner],
    write: (shop, value) => ({ ...shop, [outer]: { ...(shop[outer] as object), [inner]: value } }),
    words,
  };
}

const mmWords = (value: unknown) => (typeof value === 'number' ? `${value} mm` : 'nothing');
const chosenWords = (options: readonly (readonly [string, string])[]) => (value: unknown) =>
  options.find(([each]) => each === value)?.[1] ?? plainWords(value);

const CLEARANCES = [
  ['glass', 'To the glass', 'How far a body must stay off the glass in all its travel.'],
  ['metal', 'To beams and metal', 'How far a body must stay off beams, rails and the inner skin.'],
  ['wiring', 'To wiring', 'How far a body must stay off looms and cables.'],
  ['front', 'To the card or grille', 'How far cone and tweeter must stay behind the card.'],
  ['cloth', 'To cloth in front', 'How far cone and tweeter must stay behind cloth; 0 where they may touch it.'],
  ['hole', 'In the hole', 'How much smaller all round a body must be than the hole.'],
  ['terminal', 'Terminals to metal', 'How far live terminals must stay off metal.'],
  ['cover', 'Cover', 'How far plate, ring or flange must reach over the hole under them.'],
  ['wall', 'Wall beside screws', 'How much of a ring must be left between a screw and its edge.'],
  ['bite', 'Bite of a screw', 'How far a screw must reach into the metal or the bracket that holds it.'],
  ['finished', 'Under a finished face', 'How much must stay between the end of a pilot hole and a face that is seen.'],
] as const;

const SHEET = [
  ['lengthMm', 'A sheet is long', 'How the pieces of a car are laid on the sheets they are cut from.', 100, 3000],
  ['widthMm', 'A sheet is wide', 'The same.', 100, 3000],
  ['kerfMm', 'The saw takes away', 'What is left between two pieces on a sheet: the kerf.', 0, 20],
] as const;
const UNITS = [
  ['mm', 'mm'],
  ['in', 'inch'],
] as const;
const PROOFS = [
  ['test', 'A test alone'],
  ['testOrKey', 'A test, or a keyed lead'],
] as const;
const SIGNED = [
  ['offered', 'Offered: who wants to, signs'],
  ['asked', 'Asked of every customer'],
] as const;
const DATES = [
  ['dayFirst', 'Day first: 4.12.2026'],
  ['monthFirst', 'Month first: 12/4/2026'],
  ['yearFirst', 'Year first: 2026-12-04'],
] as const;
const PAPERS = [
  ['A4', 'A4'],
  ['Letter', 'Letter'],
] as const;
const METER_RULES = [
  ['belowNominal', 'DC resistance lies below the rating'],
  ['nearNominal', 'the reading equals the rating'],
] as const;
const SPLICES = [
  ['solder', 'soldering and heat-shrink'],
  ['crimp', 'crimping'],
  ['plugIn', 'plug-in adapters'],
] as const;
const FIT_SCHOOLS = [
  ['tape', 'the tape'],
  ['catalogue', 'the catalogue’s vehicle list'],
] as const;

export const SETTING_FIELDS: readonly SettingField[] = [
  setting(keyField('name', 'Name of the shop'), {
    group: 'Shop',
    changes: 'The name on the sign-in, the list of jobs and printed sheets.',
    input: { kind: 'text', most: 80 },
  }),
  setting(keyField('currency', 'Currency'), {
    group: 'Shop',
    changes: 'The sign at every price. Prices are not converted.',
    input: { kind: 'text', most: 3 },
  }),
  setting(keyField('unit', 'Lengths in sentences', chosenWords(UNITS)), {
    group: 'Shop',
    changes: 'The unit of lengths in verdicts and lists. What each device shows while measuring is set at the device.',
    input: { kind: 'choice', options: UNITS },
  }),
  setting(keyField('paper', 'Paper', chosenWords(PAPERS)), {
    group: 'Shop',
    changes: 'The page that sheets are printed on.',
    input: { kind: 'choice', options: PAPERS },
  }),
  setting(keyField('dates', 'Days', chosenWords(DATES)), {
    group: 'Shop',
    changes:
      'How days are typed and shown. As 2026-12-04, as “Fri” and as “tomorrow” they are read whatever stands here.',
    input: { kind: 'choice', options: DATES },
  }),
  setting(keyField('signature', 'Signature for what works', chosenWords(SIGNED)), {
    group: 'Shop',
    changes: 'Whether a car’s booking in is open until its customer signed for what works and what is scratched.',
    input: { kind: 'choice', options: SIGNED },
  }),
  setting(keyField('polarityProof', 'Positive wire is proved by', chosenWords(PROOFS)), {
    group: 'Shop',
    changes:
      'Whether a lead that goes in one way only closes the question which wire is positive, or it is tested all the same.',
    input: { kind: 'choice', options: PROOFS },
  }),
  setting(inside('workingHours', 'from', 'Opens at'), {
    group: 'Shop',
    changes:
      'Work in the bay’s week begins and goes on at it; an earlier start is marked. The nightly backup is made while the shop is closed.',
    input: { kind: 'clock' },
  }),
  setting(inside('workingHours', 'to', 'Closes at'), {
    group: 'Shop',
    changes: 'What is not done at it goes on when the shop opens next. The nightly backup is made two hours later.',
    input: { kind: 'clock' },
  }),
  setting(
    inside(
      'workingHours',
      'days',
      'Open on',
      (value) => WEEKDAYS.filter((day) => (value as readonly string[]).includes(day)).join(', ') || 'no day',
    ),
    {
      group: 'Shop',
      changes: 'A car’s work goes on on these days only. A job that is due or booked on another day is marked.',
      input: { kind: 'days' },
    },
  ),
  setting(
    keyField('lifts', 'Lifts', (value) => (value as readonly string[]).join(', ')),
    {
      group: 'Shop',
      changes: 'Where cars are worked on, by name, with commas between: the columns of the bay’s week.',
      input: { kind: 'names', most: MOST_LIFTS },
    },
  ),
  ...CLEARANCES.map(([key, label, changes]) =>
    setting(inside('clearancesMm', key, label, mmWords), {
      group: 'Required clearances',
      changes,
      judges: true,
      input: { kind: 'mm', least: 0, most: 50 },
    }),
  ),
  setting(keyField('mostRaisedMm', 'Highest stack', mmWords), {
    group: 'Required clearances',
    changes: 'Brackets and spacer together must not be higher.',
    judges: true,
    input: { kind: 'mm', least: 1, most: 150 },
  }),
  setting(
    keyField('confidence', 'Sure enough', (value) => `${Math.round((value as number) * 1000) / 10} %`),
    {
      group: 'Confidence',
      changes: 'How sure it must be that a part clears before its verdict says so; below that it says: measure first.',
      judges: true,
      input: { kind: 'percent', least: 0.51, most: 0.999 },
    },
  ),
  ...SOURCE_IDS.map((source) =>
    setting(inside('halfWidthsMm', source, `${SOURCES[source].label}, may be off by`, mmWords), {
      group: 'Instruments and sources',
      changes:
        'How far a reading of this kind may lie from the truth to either side; it widens every margin that uses one.',
      judges: true,
      input: { kind: 'mm', least: 0, most: 100 },
    }),
  ),
  ...SOURCE_IDS.filter((source) => SOURCES[source].origin === 'takenHere').map((source) =>
    setting(inside('resolutionsMm', source, `${SOURCES[source].label}, reads to`, mmWords), {
      group: 'Instruments and sources',
      changes:
        'The smallest step that is read off. Half of it is a doubt of its own beside how far the instrument may be off.',
      judges: true,
      input: { kind: 'mm', least: 0, most: 20 },
    }),
  ),
  setting(keyField('returnCostMinor', 'A return costs'), {
    group: 'Costs',
    changes: 'What is weighed against measuring: freight, a second visit, a car in pieces.',
    input: { kind: 'money' },
  }),
  setting(keyField('minuteCostMinor', 'A minute at the car costs'), {
    group: 'Costs',
    changes: 'What a measurement costs, when it is weighed against ordering now.',
    input: { kind: 'money' },
  }),
  setting(inside('schools', 'meter', 'Old speakers are good when', chosenWords(METER_RULES)), {
    group: 'Ways of working',
    changes: 'Printed on the order sheet for whoever tests the old speakers. The program itself goes by IEC 60268-5.',
    input: { kind: 'choice', options: METER_RULES },
  }),
  setting(inside('schools', 'splice', 'Wires are joined by', chosenWords(SPLICES)), {
    group: 'Ways of working',
    changes: 'Printed on the order sheet for whoever installs. No hot iron inside a dash either way.',
    input: { kind: 'choice', options: SPLICES },
  }),
  setting(inside('schools', 'fit', 'Where catalogue and tape disagree, the shop trusts', chosenWords(FIT_SCHOOLS)), {
    group: 'Ways of working',
    changes: 'Printed on the order sheet. Verdicts go by measurements either way; a claim stays a claim.',
    input: { kind: 'choice', options: FIT_SCHOOLS },
  }),
  ...SHEET.map(([key, label, changes, least, most]) =>
    setting(inside('sheet', key, label, mmWords), {
      group: 'Sheet for rings',
      changes,
      input: { kind: 'mm', least, most },
    }),
  ),
  setting(
    keyField(
      'stock',
      'Sheet for rings',
      (value) => (value as ShopSettings['stock']).map(({ thicknessMm }) => `${thicknessMm} mm`).join(', ') || 'none',
    ),
    {
      group: 'Sheet for rings',
      changes:
        'The thicknesses that rings are cut from when no bracket exists, with how far they may be off and what a ring costs.',
      judges: true,
      input: { kind: 'stock' },
    },
  ),
];
