/** Signing in and out, on a device that is known or not, and the first start of a new shop. */
import { z } from 'zod';
import { roleSchema } from '../model';
import { contract, idSchema, nothing } from './contract';

/** Length is what makes a password hard to guess; rules about signs only make it hard to keep (common practice). */
export const SHORTEST_PASSWORD = 12;
export const MOST_PIN_TRIES = 5;

export const personNameSchema = z
  .string()
  .trim()
  .min(1, 'Type a name.')
  .max(60, 'Type at most 60 characters.')
  .regex(/^[^\p{C}]*$/u, 'Type a name without control characters.');
export const passwordSchema = z
  .string()
  .min(SHORTEST_PASSWORD, `Type at least ${SHORTEST_PASSWORD} characters; three or four words are easy to keep.`)
  .max(200, 'Type at most 200 characters.');
export const pinSchema = z.string().regex(/^\d{4,8}$/, 'Type 4 to 8 digits.');

export const meSchema = z.object({
  id: idSchema,
  name: z.string(),
  roles: z.array(roleSchema),
  hasPin: z.boolean(),
});
export type Me = z.infer<typeof meSchema>;

const demoSignInSchema = z.object({
  name: z.string(),
  roles: z.array(roleSchema),
  password: z.string(),
  pin: z.string(),
});
export type DemoSignIn = z.infer<typeof demoSignInSchema>;

/** Who works at this device now, as far as it may be told. */
export const sessionStateSchema = z.discriminatedUnion('kind', [
  /** There is no shop yet: the owner's account is made first, or the demo shop is looked at. */
  z.object({ kind: z.literal('firstStart') }),
  z.object({
    kind: z.literal('signedOut'),
    shopName: z.string(),
    /** Who may come in by PIN here: only on a device at which somebody signed in by password. */
    byPin: z.array(z.object({ id: idSchema, name: z.string() })),
    demo: z.array(demoSignInSchema).nullable(),
  }),
  z.object({
    kind: z.literal('signedIn'),
    shopName: z.string(),
    me: meSchema,
    deviceName: z.string(),
    byPin: z.array(z.object({ id: idSchema, name: z.string() })),
    isDemo: z.boolean(),
  }),
]);
export type SessionState = z.infer<typeof sessionStateSchema>;

export const getSession = contract({
  method: 'get',
  path: '/api/session',
  permission: 'anybody',
  params: z.object({}),
  body: nothing,
  answer: sessionStateSchema,
});

export const startShop = contract({
  method: 'post',
  path: '/api/first-start',
  permission: 'anybody',
  params: z.object({}),
  body: z.discriminatedUnion('kind', [
    z.strictObject({
      kind: z.literal('own'),
      shopName: z.string().trim().min(1, 'Type the name of the shop.').max(80, 'Type at most 80 characters.'),
      name: personNameSchema,
      password: passwordSchema,
    }),
    z.strictObject({ kind: z.literal('demo') }),
  ]),
  answer: sessionStateSchema,
});

export const signIn = contract({
  method: 'post',
  path: '/api/session',
  permission: 'anybody',
  params: z.object({}),
  body: z.strictObject({
    name: z.string().trim().min(1, 'Type your name.').max(60),
    password: z.string().min(1, 'Type the password.').max(200),
  }),
  answer: sessionStateSchema,
});

export const signInByPin = contract({
  method: 'post',
  path: '/api/session/pin',
  permission: 'anybody',
  params: z.object({}),
  body: z.strictObject({ personId: idSchema, pin: pinSchema }),
  answer: sessionStateSchema,
});

/** The password again, for what asks for it; it counts for ten minutes in this session. */
export const confirmPassword = contract({
  method: 'post',
  path: '/api/session/password',
  permission: 'self',
  params: z.object({}),
  body: z.strictObject({ password: z.string().min(1, 'Type the password.').max(200) }),
  answer: z.object({ until: z.iso.datetime() }),
});

/** Whether the password counts now; refused where it has to be typed again. */
export const requirePassword = contract({
  method: 'get',
  path: '/api/session/password',
  permission: 'backup',
  params: z.object({}),
  body: nothing,
  answer: z.object({}),
});

export const signOut = contract({
  method: 'delete',
  path: '/api/session',
  permission: 'self',
  params: z.object({}),
  body: nothing,
  answer: sessionStateSchema,
});

/** Ends this person's sessions on every device, this one too, and takes the devices' leave to change person by PIN. */
export const signOutEverywhere = contract({
  method: 'delete',
  path: '/api/sessions',
  permission: 'self',
  params: z.object({}),
  body: nothing,
  answer: z.object({ ended: z.int() }),
});

export const setPin = contract({
  method: 'put',
  path: '/api/me/pin',
  permission: 'self',
  params: z.object({}),
  body: z.strictObject({ password: z.string().min(1, 'Type the password.').max(200), pin: pinSchema.nullable() }),
  answer: z.object({ hasPin: z.boolean() }),
});

export const setPassword = contract({
  method: 'put',
  path: '/api/me/password',
  permission: 'self',
  params: z.object({}),
  body: z.strictObject({ password: z.string().min(1, 'Type the password.').max(200), newPassword: passwordSchema }),
  answer: z.object({ ended: z.int() }),
});

export const nameDevice = contract({
  method: 'put',
  path: '/api/device',
  permission: 'self',
  params: z.object({}),
  body: z.strictObject({ name: z.string().trim().min(1, 'Type a name.').max(40, 'Type at most 40 characters.') }),
  answer: z.object({ name: z.string() }),
});
