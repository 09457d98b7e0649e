import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { mayDo, PERMISSIONS, ROLES, type Role } from '@low-quarry/core/model/access';
import { type ListedRoute, listRoutes } from './http/listRoutes';
import { createTestApp, type Http, type TestApp } from './testing/testApp';

let app: TestApp;
let routes: readonly ListedRoute[];
const browsers = new Map<Role, Http>();
const PERSON_WITH = { counter: 'Merle', fitter: 'Rieke', owner: 'Okke' } as const;

beforeAll(async () => {
  app = await createTestApp();
  routes = listRoutes(app.app);
  for (const role of ROLES) browsers.set(role, await app.signedIn(PERSON_WITH[role]));
});
afterAll(() => app.drop());

const ID = '00000000-0000-4000-8000-ffffffffffff';
const pathOf = ({ path }: ListedRoute) => path.replaceAll(/:\w+/g, ID);
const ask = (http: Http, route: ListedRoute) => http[route.method](pathOf(route));

test('every route of the router has a permission of the table', () => {
  expect(routes.length).toBeGreaterThan(20);
  expect(routes.filter(({ permission }) => permission === null || !(permission in PERMISSIONS))).toEqual([]);
});

test('a route that is bound without a guard is found', async () => {
  const { default: express } = await import('express');
  const bare = express();
  bare.use(express.Router().post('/api/forgotten', (_request, response) => void response.end()));
  expect(listRoutes(bare)).toEqual([{ method: 'post', path: '/api/forgotten', permission: null }]);
});

describe('without a session', () => {
  test('every route that is not for anybody answers 401', async () => {
    const guarded = routes.filter(({ permission }) => permission !== 'anybody');
    for (const route of guarded) {
      const { status, body } = await ask(app.browser(), route);
      expect([route, status, body.type]).toEqual([route, 401, '/problems/signed-out']);
    }
  });
});

describe('with a role', () => {
  test.each(ROLES)('%s: 403 on exactly what the table does not allow', async (role) => {
    const http = browsers.get(role) as Http;
    for (const route of routes) {
      const isOpen = route.permission === 'anybody' || route.permission === 'self';
      if (isOpen) continue;
      const allowed = mayDo(route.permission as keyof typeof PERMISSIONS, [role]);
      // What is allowed is asked for nothing that exists: it may be refused, but not for want of a role.
      if (allowed && route.method === 'get' && route.path === '/api/events') continue;
      const { status } = await ask(http, route);
      expect([route, status === 403]).toEqual([route, !allowed]);
    }
  });
});

describe('from another origin', () => {
  test('every write is refused, whoever is signed in, and one that names no origin too', async () => {
    const owner = browsers.get('owner') as Http;
    for (const route of routes.filter(({ method }) => method !== 'get')) {
      for (const origin of ['https://elsewhere.example', 'null', `${app.origin}0`, 'nonsense']) {
        const { status, body } = await ask(owner, route).set('Origin', origin);
        expect([route, origin, status, body.type]).toEqual([route, origin, 403, '/problems/other-origin']);
      }
    }
    const bare = await fetch(`${app.origin}/api/session`, { method: 'DELETE' });
    expect(bare.status).toBe(403);
    await owner.get('/api/jobs').expect(200);
  });
});
