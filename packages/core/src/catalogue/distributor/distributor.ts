/** What shares one power wire among several, with or without a fuse for each. */
import { z } from 'zod';
import { goodsEntry } from '../goods';
import { orderable } from '../orderable';
import { number, type Spec, yesNo } from '../specs/Spec';
import { printed } from '../words/figures';

const areaMm2 = z.number().min(0.1).max(120);

export const distributorSchema = z.strictObject({
  kind: z.literal('distributor'),
  ...orderable,
  inputs: z.int().min(1).max(4),
  inputMm2: areaMm2,
  outputs: z.int().min(1).max(12),
  outputMm2: areaMm2,
  isFused: z.boolean(),
});

const specs: readonly Spec[] = [
  number('inputs', 'Wires in', '1'),
  number('inputMm2', 'Wire in up to, mm²', '21'),
  number('outputs', 'Wires out', '4'),
  number('outputMm2', 'Wire out up to, mm²', '8'),
  yesNo('isFused', 'A fuse for each wire out'),
];

export const distributorEntry = goodsEntry(
  distributorSchema,
  specs,
  ({ outputs, isFused }) => ({ outputs, isFused }),
  ({ inputs, inputMm2, outputs, outputMm2, isFused }) =>
    `${inputs} × ${printed(inputMm2)} mm² in, ${outputs} × ${printed(outputMm2)} mm² out, ${isFused ? 'a fuse for each' : 'no fuses'}`,
);
