/** What its maker says of a part, as it is kept, to be put right. */
import type { PartRecord } from '@low-quarry/core/catalogue';
import { z } from 'zod';
import { FormArea } from '../../ui/form/FormArea';
import { ProblemList } from '../../ui/ProblemList';
import { PartForm } from './PartForm';
import { namesTypedSchema } from './typedNames';
import { offersTypedSchema } from './typedOffers';
import { type PartFormProps, usePartForm } from './usePartForm';

const typedSchema = z.object({ text: z.string() });
type Typed = z.infer<typeof typedSchema>;

const readSchema = z
  .object({
    text: z.string().transform((text, context) => {
      const record = readRecord(text);
      if (record) return record;
      context.addIssue('This is not an object in JSON. Put the record back as it was, then change what is wrong.');
      return z.NEVER;
    }),
  })
  .transform(({ text }) => text) as unknown as z.ZodType<Partial<PartRecord>, Typed>;

/** What the other forms of the page have. */
const ELSEWHERE: ReadonlySet<string> = new Set([
  ...[namesTypedSchema, offersTypedSchema].flatMap(({ shape }) => Object.keys(shape)),
  ...['doubts', 'listed'],
]);

export function CorrectForm(part: PartFormProps) {
  const { control, refused, frame } = usePartForm({
    ...part,
    ...{ name: 'library', typedSchema, readSchema, toTyped },
    saved: 'The correction is saved.',
  });
  return (
    <PartForm frame={frame} save="Save the correction">
      <FormArea
        control={control}
        name="text"
        label="Record, JSON"
        hint={`Version ${part.version}. Lengths in mm, angles in degrees.`}
        rows={24}
        spellCheck={false}
        className="font-mono text-[13px] leading-5"
      />
      {refused.length > 0 && (
        <div role="alert" className="border-l-4 border-hits bg-paper px-3 py-2 text-hits">
          <ProblemList problems={refused} />
        </div>
      )}
    </PartForm>
  );
}

function toTyped(record: PartRecord): Typed {
  const own = Object.entries(record).filter(([key]) => !ELSEWHERE.has(key));
  return { text: JSON.stringify(Object.fromEntries(own), null, 2) };
}

function readRecord(text: string): Partial<PartRecord> | null {
  try {
    return (z.record(z.string(), z.unknown()).safeParse(JSON.parse(text)).data ?? null) as Partial<PartRecord> | null;
  } catch {
    return null;
  }
}
