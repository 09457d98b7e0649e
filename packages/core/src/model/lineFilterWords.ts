/** What goes into a line, in words and part by part. */
import { linePartsWords } from '../sound';
import type { OpeningLineFilter } from './lineFilter';

/** "4.7 µF in the line, tied to the crossbar"; "nothing". */
export function lineFilterWords(filter: OpeningLineFilter | null): string {
  if (filter === null) return 'nothing';
  return [linePartsWords(filter), filter.where].filter(Boolean).join('; ');
}

/** What of it has to be had, a part each. */
export function lineFilterPieces({ highPass, lowPass, pad }: OpeningLineFilter): readonly string[] {
  const capacitors = [highPass?.capacitorUf, lowPass?.capacitorUf].map(
    (uf) => uf && `Capacitor of ${uf} µF, for both directions`,
  );
  const coils = [highPass?.coilMh, lowPass?.coilMh].map((mh) => mh && `Coil of ${mh} mH`);
  const resistors = [pad?.seriesOhm, pad?.parallelOhm].map((ohms) => ohms && `Resistor of ${ohms} Ω`);
  return [...capacitors, ...coils, ...resistors].filter((piece): piece is string => typeof piece === 'string');
}
