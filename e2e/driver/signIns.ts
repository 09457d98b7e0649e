/** The people of the demo shop. */
import { readFileSync } from 'node:fs';
import path from 'node:path';

type SignIn = { readonly name: string; readonly password: string; readonly pin: string };
const SIGN_INS: readonly SignIn[] = JSON.parse(
  readFileSync(path.join(process.env.LQ_DEMO_DIR ?? 'demo', 'people.json'), 'utf8'),
);

/** How somebody of the demo shop signs in. */
export function signInOf(name: string): SignIn {
  const found = SIGN_INS.find((each) => each.name === name);
  if (!found) throw new Error(`nobody of the demo shop is called ${name}`);
  return found;
}
