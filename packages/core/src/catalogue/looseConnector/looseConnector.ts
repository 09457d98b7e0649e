/** Connectors by themselves: a shell with its positions, to mend or to make a lead with. */
import { z } from 'zod';
import { goodsEntry } from '../goods';
import { orderable } from '../orderable';
import { choice, knownLine, knownNumber, number, type Spec, yesNo } from '../specs/Spec';
import { printed } from '../words/figures';

export const CONNECTOR_GENDERS = ['plug', 'socket'] as const;

export const looseConnectorSchema = z
  .strictObject({
    kind: z.literal('looseConnector'),
    ...orderable,
    /** Which it is of those that vehicles and harness adapters name; null where it is none of them. */
    connectorId: z.string().min(1).max(80).nullable(),
    gender: z.enum(CONNECTOR_GENDERS),
    positions: z.int().min(1).max(60),
    rows: z.int().min(1).max(4),
    /** Whether it goes in one way only. */
    isKeyed: z.boolean(),
    /** The least and the greatest wire that its contacts take; null where nobody says. */
    wireFromMm2: z.number().min(0.05).max(120).nullable(),
    wireToMm2: z.number().min(0.05).max(120).nullable(),
  })
  .refine(({ positions, rows }) => rows <= positions, {
    path: ['rows'],
    message: 'There are no more rows than positions.',
  });

const specs: readonly Spec[] = [
  knownLine('connectorId', 'Which connector it is', {
    hint: 'By the id that vehicles name it by; empty for none of them.',
  }),
  choice('gender', 'Gender', CONNECTOR_GENDERS),
  number('positions', 'Positions', '4'),
  number('rows', 'Rows', '2'),
  yesNo('isKeyed', 'Goes in one way only'),
  knownNumber('wireFromMm2', 'Wire from, mm²', '0.5'),
  knownNumber('wireToMm2', 'Wire to, mm²', '1.5'),
];

export const looseConnectorEntry = goodsEntry(
  looseConnectorSchema,
  specs,
  ({ gender, positions }) => ({ gender, positions }),
  ({ connectorId, gender, positions, rows, isKeyed, wireFromMm2, wireToMm2 }) =>
    [
      `${gender} with ${positions} position${positions === 1 ? '' : 's'} in ${rows} row${rows === 1 ? '' : 's'}`,
      isKeyed ? 'keyed' : 'not keyed: it goes in both ways',
      ...(connectorId === null ? [] : [`of the kind ${connectorId}`]),
      wireFromMm2 === null || wireToMm2 === null
        ? 'wire not stated'
        : `for wire of ${printed(wireFromMm2)} to ${printed(wireToMm2)} mm²`,
    ].join(', '),
  ({ connectorId }) => (connectorId === null ? [] : [{ field: 'connectorId', id: connectorId }]),
);
