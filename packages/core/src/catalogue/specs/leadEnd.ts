/** Where a lead ends, typed: a kind of terminals, or a further connector. */

import { fail, ok } from '../../result';
import { TERMINALS } from '../terminals';
import type { Spec } from './Spec';

type LeadEnd =
  | { readonly kind: 'terminals'; readonly terminals: (typeof TERMINALS)[number] }
  | { readonly kind: 'connector'; readonly connectorId: string };

const PLUG = /^plug (\S+)$/i;

export const leadEnd = (key: string, label: string): Spec => ({
  ...{ key, label, hint: `${TERMINALS.join(', ')}; or a further plug, such as: plug con-f4.` },
  read: (text) => {
    const typed = text.trim();
    const terminals = TERMINALS.find((each) => each === typed.toLowerCase());
    if (terminals) return ok({ kind: 'terminals', terminals });
    const connectorId = PLUG.exec(typed)?.[1];
    if (connectorId) return ok({ kind: 'connector', connectorId });
    return fail(`“${typed.slice(0, 30)}” was read. ${TERMINALS.join(', ')}, or “plug” and a connector’s id, would do.`);
  },
  print: (end: LeadEnd) => (end.kind === 'terminals' ? end.terminals : `plug ${end.connectorId}`),
});
