import { z } from 'zod';
import { roleSchema } from '../../model';
import { type Field, keyField } from '../Field';
import { recordEntry, verbs } from './RecordEntry';

export type PersonState = { readonly name: string; readonly roles: readonly string[]; readonly active: boolean };

export const PERSON_FIELDS: readonly Field<PersonState>[] = [
  keyField('name', 'Name'),
  keyField('roles', 'Roles'),
  keyField('active', 'Works here'),
];

export const personEntry = recordEntry({
  word: 'Person',
  schema: z.strictObject({ name: z.string(), roles: z.array(roleSchema), active: z.boolean() }),
  fields: PERSON_FIELDS,
  did: verbs('added', 'changed', 'removed'),
  changedBy: 'people',
  seenBy: 'people',
});
