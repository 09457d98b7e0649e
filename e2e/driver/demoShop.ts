/** Before the first scenario: the demo shop as its first start leaves it, of which each scenario gets a copy. */
import { randomBytes } from 'node:crypto';
import { Shop } from './Shop';

/** Where the workers read the name of its database. */
const NAME = 'LQ_DEMO_SHOP';

export default async function makeDemoShop(): Promise<() => Promise<void>> {
  const name = newShopName();
  const shop = await Shop.create(name, null);
  await shop.start();
  await shop.untilNightIsOver();
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

function newShopName(): string {
  return `lq_e2e_${randomBytes(5).toString('hex')}`;
}
