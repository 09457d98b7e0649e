/** What became of an entry that was sent. */
import type { Entry } from './Entry';

export type Sent =
  | { readonly kind: 'done'; readonly answer: unknown }
  /** Put this in its place: it is sent again, or waits for the person. */
  | { readonly kind: 'replaced'; readonly entry: Entry }
  /** The server does not answer, or does not know who is signed in: later. */
  | { readonly kind: 'later' };
