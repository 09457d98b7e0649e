import { describe, expect, test } from '@jest/globals';
import { adapter } from '../testing/shapes';
import { findHarnessChain } from './findHarnessChain';

const ids = (chain: ReturnType<typeof findHarnessChain>) => chain?.map(({ id }) => id) ?? null;
const SPADES = 'spades 2.8 + 4.8';
const toPlug = (connectorId: string) => ({ kind: 'connector', connectorId }) as const;

describe('chains', () => {
  test('one adapter is better than two, even when dearer', () => {
    const adapters = [
      adapter({ id: 'direct', pieceCostMinor: 9000 }),
      adapter({ id: 'first', to: toPlug('middle'), pieceCostMinor: 1 }),
      adapter({ id: 'second', fromConnectorId: 'middle', pieceCostMinor: 1 }),
    ];
    expect(ids(findHarnessChain('plug', SPADES, adapters))).toEqual(['direct']);
  });

  test('two adapters when there is no other way, in the order from the vehicle', () => {
    const adapters = [
      adapter({ id: 'second', fromConnectorId: 'middle' }),
      adapter({ id: 'first', to: toPlug('middle') }),
    ];
    expect(ids(findHarnessChain('plug', SPADES, adapters))).toEqual(['first', 'second']);
  });

  test('of equal length the cheaper, then the name', () => {
    const adapters = [
      adapter({ id: 'b', name: 'B' }),
      adapter({ id: 'a', name: 'A' }),
      adapter({ id: 'dear', name: '0', pieceCostMinor: 999 }),
    ];
    expect(ids(findHarnessChain('plug', SPADES, adapters))).toEqual(['a']);
  });

  test('never more than two, never in a circle, and none where none leads', () => {
    const circle = [
      adapter({ id: 'there', to: toPlug('middle') }),
      adapter({ id: 'back', fromConnectorId: 'middle', to: toPlug('plug') }),
    ];
    expect(findHarnessChain('plug', SPADES, circle)).toBeNull();
    const three = [
      adapter({ id: '1', to: toPlug('m1') }),
      adapter({ id: '2', fromConnectorId: 'm1', to: toPlug('m2') }),
      adapter({ id: '3', fromConnectorId: 'm2' }),
    ];
    expect(findHarnessChain('plug', SPADES, three)).toBeNull();
    expect(findHarnessChain('plug', 'bare ends', [adapter()])).toBeNull();
    expect(findHarnessChain('unknown', SPADES, [adapter()])).toBeNull();
  });
});
