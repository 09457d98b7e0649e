/** A filter in a speaker's line as somebody types it: what it should do, and the parts that it is made of. */
import { readQuantity } from '@low-quarry/core/catalogue';
import { lineFilterSchema, type OpeningLineFilter } from '@low-quarry/core/model';
import { type FilterAsked, type FilterCorner, type LineFilter, madeFilter } from '@low-quarry/core/sound';
import { z } from 'zod';

export const filterTypedSchema = z.object({
  highHz: z.string(),
  highOrder: z.enum(['1', '2']),
  lowHz: z.string(),
  lowOrder: z.enum(['1', '2']),
  padDb: z.string(),
  highCapacitor: z.string(),
  highCoil: z.string(),
  lowCoil: z.string(),
  lowCapacitor: z.string(),
  padSeries: z.string(),
  padParallel: z.string(),
  where: z.string(),
});
export type FilterTyped = z.infer<typeof filterTypedSchema>;

const EMPTY: FilterTyped = {
  ...{ highHz: '', highOrder: '1', lowHz: '', lowOrder: '1', padDb: '' },
  ...{ highCapacitor: '', highCoil: '', lowCoil: '', lowCapacitor: '', padSeries: '', padParallel: '', where: '' },
};

/** @param usual where nothing is in the line yet: the high-pass that is usual for this speaker */
export function toFilterTyped(filter: OpeningLineFilter | null, usual: FilterCorner): FilterTyped {
  if (filter === null) return { ...EMPTY, highHz: String(usual.hz), highOrder: usual.order === 2 ? '2' : '1' };
  return { ...EMPTY, ...partsTyped(filter), where: filter.where };
}

/** Parts as they stand in their fields. */
function partsTyped({ highPass, lowPass, pad }: LineFilter) {
  const text = (value: number | null | undefined) => (value === null || value === undefined ? '' : String(value));
  return {
    ...{ highCapacitor: text(highPass?.capacitorUf), highCoil: text(highPass?.coilMh) },
    ...{ lowCoil: text(lowPass?.coilMh), lowCapacitor: text(lowPass?.capacitorUf) },
    ...{ padSeries: text(pad?.seriesOhm), padParallel: text(pad?.parallelOhm) },
  };
}

const PARTS = {
  highCapacitor: { unit: 'µF', example: '4.7', is: 'A capacitor is in µF' },
  highCoil: { unit: 'mH', example: '0.33', is: 'A coil is in mH' },
  lowCoil: { unit: 'mH', example: '0.33', is: 'A coil is in mH' },
  lowCapacitor: { unit: 'µF', example: '4.7', is: 'A capacitor is in µF' },
  padSeries: { unit: 'Ω', example: '2.7', is: 'A resistor is in Ω' },
  padParallel: { unit: 'Ω', example: '2.7', is: 'A resistor is in Ω' },
} as const;

type Slip = (path: keyof FilterTyped, message: string) => void;

/** What is typed, as the shop takes it. */
export const readFilterSchema: z.ZodType<OpeningLineFilter, FilterTyped> = filterTypedSchema.transform(
  (typed, context) => {
    let isRead = true;
    const slip: Slip = (path, message) => {
      isRead = false;
      context.addIssue({ code: 'custom', path: [path], message });
    };
    const filter = { ...readParts(typed, slip), where: typed.where };
    if (!isRead) return z.NEVER;
    const checked = lineFilterSchema.safeParse(filter);
    if (checked.success) return checked.data;
    for (const { path, message } of checked.error.issues) slip(FIELD_OF[path.join('.')] ?? 'highCapacitor', message);
    return z.NEVER;
  },
);

const FIELD_OF: Readonly<Record<string, keyof FilterTyped>> = {
  'highPass.capacitorUf': 'highCapacitor',
  'highPass.coilMh': 'highCoil',
  'lowPass.coilMh': 'lowCoil',
  'lowPass.capacitorUf': 'lowCapacitor',
  'pad.seriesOhm': 'padSeries',
  'pad.parallelOhm': 'padParallel',
  where: 'where',
};

/** The parts as far as they can be read; null while one of them cannot, or there is none. */
export function partsOf(typed: FilterTyped): LineFilter | null {
  let isRead = true;
  const parts = readParts(typed, () => {
    isRead = false;
  });
  const { highPass, lowPass, pad } = parts;
  return isRead && (highPass || lowPass || pad) ? parts : null;
}

function readParts(typed: FilterTyped, slip: Slip): LineFilter {
  const read = (key: keyof typeof PARTS): number | null => {
    const text = typed[key].trim();
    if (text === '') return null;
    const { unit, example, is } = PARTS[key];
    const found = readQuantity(text, unit, example);
    if (found.ok && found.value > 0) return found.value;
    slip(key, `“${text.slice(0, 20)}” was read. ${is}, such as ${example}.`);
    return null;
  };
  const [highCapacitor, highCoil] = [read('highCapacitor'), read('highCoil')];
  const [lowCoil, lowCapacitor] = [read('lowCoil'), read('lowCapacitor')];
  const [padSeries, padParallel] = [read('padSeries'), read('padParallel')];
  const first = (isMissing: boolean, key: keyof FilterTyped, message: string) => {
    if (isMissing && typed[key].trim() === '') slip(key, message);
  };
  first(highCoil !== null && highCapacitor === null, 'highCapacitor', 'A coil across needs a capacitor in the line.');
  first(lowCapacitor !== null && lowCoil === null, 'lowCoil', 'A capacitor across needs a coil in the line.');
  first(padParallel !== null && padSeries === null, 'padSeries', 'A resistor across needs one in the line.');
  return {
    highPass: highCapacitor === null ? null : { capacitorUf: highCapacitor, coilMh: highCoil },
    lowPass: lowCoil === null ? null : { coilMh: lowCoil, capacitorUf: lowCapacitor },
    pad: padSeries === null ? null : { seriesOhm: padSeries, parallelOhm: padParallel },
  };
}

const [LEAST_HZ, MOST_HZ] = [20, 20_000];
const MOST_PAD_DB = 24;

function readWithin(text: string, unit: string, least: number, most: number): number | null {
  const read = readQuantity(text, unit, String(least));
  return read.ok && read.value >= least && read.value <= most ? read.value : null;
}

/** A frequency that can be heard; null where none is typed. */
export function readCorner(text: string): number | null {
  return readWithin(text.trim(), 'Hz', LEAST_HZ, MOST_HZ);
}

/** What it should do, or what of it cannot be read. */
export function askedOf(typed: FilterTyped): {
  readonly asked: FilterAsked | null;
  readonly slips: readonly { readonly path: keyof FilterTyped; readonly message: string }[];
} {
  const slips: { path: keyof FilterTyped; message: string }[] = [];
  const number = (path: 'highHz' | 'lowHz' | 'padDb', unit: string, least: number, most: number): number | null => {
    const text = typed[path].trim();
    if (text === '') return null;
    const value = readWithin(text, unit, least, most);
    if (value !== null) return value;
    slips.push({
      path,
      message: `“${text.slice(0, 20)}” was read. Type ${unit} from ${least.toLocaleString('en')} to ${most.toLocaleString('en')}.`,
    });
    return null;
  };
  const corner = (hz: number | null, order: '1' | '2'): FilterCorner | null =>
    hz === null ? null : { hz, order: order === '2' ? 2 : 1 };
  const highPass = corner(number('highHz', 'Hz', LEAST_HZ, MOST_HZ), typed.highOrder);
  const lowPass = corner(number('lowHz', 'Hz', LEAST_HZ, MOST_HZ), typed.lowOrder);
  const padDb = number('padDb', 'dB', 0, MOST_PAD_DB) ?? 0;
  if (highPass && lowPass && highPass.hz >= lowPass.hz)
    slips.push({ path: 'lowHz', message: 'Nothing would pass: it ends below where it begins.' });
  if (slips.length === 0 && !highPass && !lowPass && padDb === 0)
    slips.push({
      path: 'highHz',
      message: 'Type where it begins or ends to pass, or by how much it is to be quieter.',
    });
  return { asked: slips.length === 0 ? { highPass, lowPass, padDb } : null, slips };
}

/** The parts that come nearest to what is asked. @param ohm the speaker's nominal value */
export function proposed(asked: FilterAsked, ohm: number) {
  return partsTyped(madeFilter(asked, ohm));
}
