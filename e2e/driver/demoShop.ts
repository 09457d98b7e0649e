/** Before the first scenario: the demo shop as its first start leaves it, of which each scenario gets a copy. */
import { randomBytes } from 'node:crypto';
import type { JobInList } from '@low-quarry/core/contracts/jobs';
import { jobTitle } from '@low-quarry/core/model';
import { Shop } from './Shop';
import { signInOf } from './signIns';

/** Where the workers read the name of its database. */
const NAME = 'LQ_DEMO_SHOP';
/** Where they read which page each of its cars has. */
const JOBS = 'LQ_DEMO_JOBS';

export default async function makeDemoShop(): Promise<() => Promise<void>> {
  const name = newShopName();
  const shop = await Shop.create(name, null);
  await shop.start();
  await shop.untilNightIsOver();
  process.env[JOBS] = JSON.stringify(await jobAddresses(shop.url));
  await shop.kill();
  process.env[NAME] = name;
  return () => shop.drop();
}

/** A copy with a database of its own. */
export function copyOfDemoShop(): Promise<Shop> {
  const made = process.env[NAME];
  if (!made) throw new Error(`${NAME} is not set: the demo shop is made before the first scenario`);
  return Shop.create(newShopName(), made);
}

/** The page of one of the demo shop's cars, which is the same in every copy; null of another. */
export function demoJobAddress(name: string): string | null {
  return (JSON.parse(process.env[JOBS] ?? '{}') as Readonly<Record<string, string>>)[name] ?? null;
}

async function jobAddresses(url: string): Promise<Readonly<Record<string, string>>> {
  const { name, password } = signInOf('Okke');
  const session = await fetch(`${url}/api/session`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json', Origin: url },
    body: JSON.stringify({ name, password }),
  });
  const cookie = session.headers.getSetCookie().map((each) => each.split(';')[0]);
  const answer = await fetch(`${url}/api/jobs`, { headers: { Cookie: cookie.join('; ') } });
  const { jobs }: { readonly jobs: readonly JobInList[] } = await answer.json();
  return Object.fromEntries(jobs.map((job) => [jobTitle(job), `/jobs/${job.id}`]));
}

function newShopName(): string {
  return `lq_e2e_${randomBytes(5).toString('hex')}`;
}
