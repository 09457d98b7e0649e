import { describe, expect, test } from '@jest/globals';
import { mayDo, PERMISSIONS, type Permission, ROLES, rolesSchema } from './access';

const each = Object.keys(PERMISSIONS) as Permission[];

test('somebody who is not signed in may only do what anybody may', () => {
  expect(each.filter((permission) => mayDo(permission, null))).toEqual(['anybody']);
});

test('the owner may do everything, and somebody without a role nothing of the shop', () => {
  expect(each.filter((permission) => !mayDo(permission, ['owner']))).toEqual([]);
  expect(each.filter((permission) => mayDo(permission, []))).toEqual(['anybody']);
});

describe('the standard meanings of a shop', () => {
  test.each([
    [
      'counter',
      ['self', 'read', 'jobs', 'choose', 'baseline', 'vehicles', 'facts', 'photos', 'shelf', 'openings', 'parts'],
    ],
    [
      'fitter',
      ['self', 'read', 'measure', 'choose', 'baseline', 'vehicles', 'facts', 'photos', 'shelf', 'openings', 'parts'],
    ],
  ] as const)('%s', (role, may) => {
    expect(each.filter((permission) => permission !== 'anybody' && mayDo(permission, [role]))).toEqual(may);
  });

  test('two roles may do what either may', () => {
    expect(mayDo('jobs', ['counter', 'fitter']) && mayDo('measure', ['counter', 'fitter'])).toBe(true);
    expect(mayDo('people', ['counter', 'fitter'])).toBe(false);
  });
});

test('roles are kept once each and in one order; none at all is refused', () => {
  expect(rolesSchema.parse(['owner', 'counter', 'owner'])).toEqual(['counter', 'owner']);
  expect(rolesSchema.parse([...ROLES].reverse())).toEqual(ROLES);
  expect(rolesSchema.safeParse([]).success).toBe(false);
});
