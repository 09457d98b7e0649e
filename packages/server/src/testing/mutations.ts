/** Bytes and JSON changed at random, as an attacker, a bad disk or a clumsy hand would: the same for the same seed. */
export type Random = () => number;

const pick = <Item>(random: Random, items: readonly Item[]): Item => items[Math.floor(random() * items.length)] as Item;

/** One to eight bytes flipped, cut out, put in or doubled; or the end cut off. */
export function mutateBytes(bytes: Buffer, random: Random): Buffer {
  let made = Buffer.from(bytes);
  const times = 1 + Math.floor(random() * 8);
  for (let time = 0; time < times; time++) {
    const at = Math.floor(random() * made.length);
    const length = 1 + Math.floor(random() ** 3 * 1024);
    switch (Math.floor(random() * 6)) {
      case 0:
        made = Buffer.concat([made.subarray(0, at), made.subarray(at + length)]);
        break;
      case 1:
        made = Buffer.concat([made.subarray(0, at), made.subarray(at, at + length), made.subarray(at)]);
        break;
      case 2:
        made = made.subarray(0, Math.max(1, at));
        break;
      default:
        made[at] = Math.floor(random() * 256);
    }
  }
  return made;
}

/** Makes the sums of a tar's headers right again, so that what was changed in them is believed. */
export function mendTar(bytes: Buffer): Buffer {
  const made = Buffer.from(bytes);
  for (let at = 0; at + 512 <= made.length; at += 512) {
    if (made.toString('latin1', at + 257, at + 262) !== 'ustar') continue;
    made.fill(0x20, at + 148, at + 156);
    let sum = 0;
    for (let byte = 0; byte < 512; byte++) sum += made[at + byte] as number;
    made.write(`${sum.toString(8).padStart(6, '0')}\0 `, at + 148, 'latin1');
  }
  return made;
}

const VALUES: readonly unknown[] = [
  null,
  true,
  0,
  -1,
  1e308,
  2 ** 53,
  0.1,
  '',
  'x'.repeat(300),
  '\0',
  '\ud800',
  '__proto__',
  '../../etc/passwd',
  "'; DROP TABLE job; --",
  [],
  {},
  [[[[]]]],
  { form: 99 },
  '2026-02-30',
  '00000000-0000-4000-8000-000000000000',
];

/** A copy with one to four of its values replaced, taken away, doubled or moved. */
export function mutateJson(value: unknown, random: Random): unknown {
  const made = structuredClone(value);
  const times = 1 + Math.floor(random() * 4);
  for (let time = 0; time < times; time++) mutateOne(made, random);
  return made;
}

function mutateOne(root: unknown, random: Random): void {
  let at = root;
  for (;;) {
    if (typeof at !== 'object' || at === null) return;
    const keys = Object.keys(at);
    if (keys.length === 0) return;
    const key = pick(random, keys) as keyof typeof at;
    const child = at[key] as unknown;
    if (typeof child === 'object' && child !== null && random() < 0.85) {
      at = child;
      continue;
    }
    const holder = at as Record<string, unknown>;
    switch (Math.floor(random() * 4)) {
      case 0:
        if (Array.isArray(at)) at.splice(Number(key), 1);
        else delete holder[key];
        return;
      case 1:
        if (Array.isArray(at)) at.push(structuredClone(child));
        else holder[`${String(key)}2`] = structuredClone(child);
        return;
      default:
        holder[key] = structuredClone(pick(random, VALUES));
        return;
    }
  }
}
