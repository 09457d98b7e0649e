/** Harness adapters: from a vehicle's connector to terminals, or to a further connector. */
import { z } from 'zod';
import type { HarnessAdapter } from '../../wiring';
import { filterSchema } from '../filter';
import { orderable, pieceOf } from '../orderable';
import { partEntry } from '../PartEntry';
import { leadEnd } from '../specs/leadEnd';
import { knownFilter, knownLength, knownYesNo, line, type Spec } from '../specs/Spec';
import { TERMINALS } from '../terminals';
import { filterWords } from '../words/filterWords';

export const harnessAdapterSchema = z.strictObject({
  kind: z.literal('harnessAdapter'),
  ...orderable,
  fromConnectorId: z.string().min(1).max(80),
  to: z.discriminatedUnion('kind', [
    z.strictObject({ kind: z.literal('terminals'), terminals: z.enum(TERMINALS) }),
    z.strictObject({ kind: z.literal('connector'), connectorId: z.string().min(1).max(80) }),
  ]),
  /** How far its plug stands out beyond the terminals, with the bend of its wires; null where the catalogue does not say. */
  plugMm: z.number().min(0).max(100).nullable().default(null),
  lengthMm: z.number().positive().max(20_000).nullable().default(null),
  /** What is in it on the way to the speaker; null where there is nothing, or nobody says. */
  filter: filterSchema.nullable().default(null),
  /** Whether it is of use only where the vehicle has wires to this place; null where nobody says. */
  needsDoorWires: z.boolean().nullable().default(null),
});
export type HarnessAdapterRecord = z.infer<typeof harnessAdapterSchema>;

const specs: readonly Spec[] = [
  line('fromConnectorId', 'From the plug', { hint: 'The vehicle’s connector, by its id.' }),
  leadEnd('to', 'To'),
  knownLength('plugMm', 'Its plug stands out', { without: 'the room for its plug' }),
  knownLength('lengthMm', 'Length', { without: 'whether it reaches' }),
  knownYesNo('needsDoorWires', 'Needs wires at this place'),
  knownFilter('filter', 'Filter in it'),
];

export const harnessAdapterEntry = partEntry({
  schema: harnessAdapterSchema,
  specs: specs,
  listed: () => ({}),
  says: ({ fromConnectorId, to, filter, needsDoorWires }) =>
    [
      `from plug ${fromConnectorId} to ${to.kind === 'terminals' ? to.terminals : `plug ${to.connectorId}`}`,
      ...(filter ? [`with a filter in it: ${filterWords(filter)}`] : []),
      ...(needsDoorWires ? ['needs the vehicle’s own wires at this place'] : []),
    ].join(', '),
  connectors: ({ fromConnectorId }) => [{ field: 'fromConnectorId', id: fromConnectorId }],
  isAtHand: true,
  toFit: (record) => ({ adapters: [toHarnessAdapter(record)] }),
});

function toHarnessAdapter(record: HarnessAdapterRecord): HarnessAdapter {
  return { ...pieceOf(record), fromConnectorId: record.fromConnectorId, to: record.to, plugMm: record.plugMm };
}
