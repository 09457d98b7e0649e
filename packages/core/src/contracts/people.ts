/** The people of the shop, for its owner. */
import { z } from 'zod';
import { roleSchema, rolesSchema } from '../model';
import { contract, idSchema, nothing } from './contract';
import { passwordSchema, personNameSchema } from './sessions';

export const personSchema = z.object({
  id: idSchema,
  version: z.int(),
  name: z.string(),
  roles: z.array(roleSchema),
  /** Somebody who has left can no longer sign in; what they did stays theirs. */
  active: z.boolean(),
  hasPin: z.boolean(),
});
export type Person = z.infer<typeof personSchema>;

export const listPeople = contract({
  method: 'get',
  path: '/api/people',
  permission: 'readPeople',
  params: z.object({}),
  body: nothing,
  answer: z.object({
    people: z.array(personSchema.extend({ lastSeenAt: z.iso.datetime().nullable(), sessions: z.int() })),
  }),
});
export type PersonInList = z.infer<typeof listPeople.answer>['people'][number];

export const createPerson = contract({
  method: 'post',
  path: '/api/people',
  permission: 'people',
  params: z.object({}),
  body: z.strictObject({ name: personNameSchema, roles: rolesSchema, password: passwordSchema }),
  answer: personSchema,
});

export const putPerson = contract({
  method: 'put',
  path: '/api/people/:personId',
  permission: 'people',
  params: z.object({ personId: idSchema }),
  body: z.strictObject({
    version: z.int().min(1),
    name: personNameSchema,
    roles: rolesSchema,
    active: z.boolean(),
  }),
  answer: personSchema,
});

/** For somebody who forgot theirs: ends their sessions. */
export const resetPassword = contract({
  method: 'put',
  path: '/api/people/:personId/password',
  permission: 'people',
  params: z.object({ personId: idSchema }),
  body: z.strictObject({ newPassword: passwordSchema }),
  answer: z.object({ ended: z.int() }),
});
