/** What a part is called, as it is typed: other names one a line. */
import { MOST_ALIASES, type PartRecord } from '@low-quarry/core/catalogue';
import { z } from 'zod';

export const namesTypedSchema = z.object({
  maker: z.string(),
  name: z.string(),
  number: z.string(),
  aliases: z.string(),
  isDiscontinued: z.boolean(),
  replacedBy: z.string(),
});
export type NamesTyped = z.output<typeof namesTypedSchema>;
export type NamesRead = Pick<PartRecord, keyof NamesTyped>;

const aliasesTyped = z.string().transform((text, context) => {
  const names = [
    ...new Set(
      text
        .split('\n')
        .map((name) => name.trim())
        .filter(Boolean),
    ),
  ];
  const long = names.find((name) => name.length > 120);
  if (long) context.addIssue(`“${long.slice(0, 20)}…” was read. Type at most 120 characters a name.`);
  if (names.length > MOST_ALIASES) context.addIssue(`${names.length} names were read. Type at most ${MOST_ALIASES}.`);
  return names;
});

const required = (what: string, most: number) =>
  z.string().trim().min(1, `Type ${what}.`).max(most, `Type at most ${most} characters.`);

export const readNamesSchema = namesTypedSchema.extend({
  maker: required('who makes it', 80),
  name: required('what its maker calls it', 120),
  number: z.string().trim().max(60, 'Type at most 60 characters.'),
  aliases: aliasesTyped,
  replacedBy: z.string().transform((id) => id || null),
}) as unknown as z.ZodType<NamesRead, NamesTyped>;

export function toNamesTyped({ maker, name, number, aliases, isDiscontinued, replacedBy }: NamesRead): NamesTyped {
  return { maker, name, number, aliases: aliases.join('\n'), isDiscontinued, replacedBy: replacedBy ?? '' };
}
