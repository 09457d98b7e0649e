/** What is put into the line before one driver, as the parts that it is made of: a high-pass, a low-pass, and a pad that makes it quieter. */
import type { NetworkPart } from '../network/parts';

/** First order as one part in the line; second order with another across it. From the amplifier on: high-pass, low-pass, pad. */
export type LineFilter = {
  readonly highPass: { readonly capacitorUf: number; readonly coilMh: number | null } | null;
  readonly lowPass: { readonly coilMh: number; readonly capacitorUf: number | null } | null;
  /** One resistor in the line, and one across the driver, which keeps the load what it was. */
  readonly pad: { readonly seriesOhm: number; readonly parallelOhm: number | null } | null;
};

export type LineEnds = {
  /** What its parts are called begins with this. */
  readonly id: string;
  readonly from: string;
  readonly to: string;
  /** Where what lies across the driver goes: the channel's other terminal, or the next driver in series. */
  readonly ground: string;
};

const MICRO = 1e-6;
const MILLI = 1e-3;

/** Its parts as a network, without the resistance of a coil's wire, which nobody says. */
export function lineParts({ highPass, lowPass, pad }: LineFilter, { id, from, to, ground }: LineEnds): NetworkPart[] {
  const stages = [
    highPass &&
      ((a: string, b: string): NetworkPart[] => [
        { id: `${id} C in line`, from: a, to: b, kind: 'capacitor', farad: highPass.capacitorUf * MICRO },
        ...(highPass.coilMh === null ? [] : [coil(`${id} L across`, b, ground, highPass.coilMh)]),
      ]),
    lowPass &&
      ((a: string, b: string): NetworkPart[] => [
        coil(`${id} L in line`, a, b, lowPass.coilMh),
        ...(lowPass.capacitorUf === null
          ? []
          : [
              {
                id: `${id} C across`,
                from: b,
                to: ground,
                kind: 'capacitor' as const,
                farad: lowPass.capacitorUf * MICRO,
              },
            ]),
      ]),
    pad &&
      ((a: string, b: string): NetworkPart[] => [
        { id: padSeriesId(id), from: a, to: b, kind: 'resistor', ohm: pad.seriesOhm },
        ...(pad.parallelOhm === null
          ? []
          : [{ id: padParallelId(id), from: b, to: ground, kind: 'resistor' as const, ohm: pad.parallelOhm }]),
      ]),
  ].filter((stage) => stage !== null);
  return stages.flatMap((stage, at) =>
    stage(at === 0 ? from : `${id} node ${at}`, at === stages.length - 1 ? to : `${id} node ${at + 1}`),
  );
}

/** In how many places its parts are joined to one another and to the pair: one for each node of the network, however many wires meet there. */
export function lineJoints(filter: LineFilter): number {
  const parts = lineParts(filter, { id: '', from: 'from', to: 'to', ground: 'ground' });
  return new Set(parts.flatMap(({ from, to }) => [from, to])).size;
}

export const padSeriesId = (id: string) => `${id} R in line`;
export const padParallelId = (id: string) => `${id} R across`;

function coil(id: string, from: string, to: string, mh: number): NetworkPart {
  return { id, from, to, kind: 'coil', henry: mh * MILLI, ohm: 0 };
}

/** Whether nothing is in it. */
export function isEmptyFilter({ highPass, lowPass, pad }: LineFilter): boolean {
  return highPass === null && lowPass === null && pad === null;
}

/** "4.7 µF in the line, 0.33 mH across it; pad 2.7 Ω in the line, 3.3 Ω across it". */
export function linePartsWords({ highPass, lowPass, pad }: LineFilter): string {
  const stage = (inLine: string, across: string | null) =>
    across === null ? `${inLine} in the line` : `${inLine} in the line, ${across} across it`;
  return [
    highPass && stage(`${highPass.capacitorUf} µF`, highPass.coilMh === null ? null : `${highPass.coilMh} mH`),
    lowPass && stage(`${lowPass.coilMh} mH`, lowPass.capacitorUf === null ? null : `${lowPass.capacitorUf} µF`),
    pad && `pad ${stage(`${pad.seriesOhm} Ω`, pad.parallelOhm === null ? null : `${pad.parallelOhm} Ω`)}`,
  ]
    .filter(Boolean)
    .join('; ');
}
