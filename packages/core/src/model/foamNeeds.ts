/** Foam between a mount and its metal, by the length of the ring that it makes. */
import type { OpeningRecord } from './opening';
import { placeLabel } from './place';
import type { SmallNeed } from './smallNeeds';

type MountedOpening = Pick<OpeningRecord, 'place' | 'side' | 'name' | 'tweeterSeat' | 'housing' | 'dimensions'>;

/** So much more than once round, for the overlap of its ends (common practice, no source). */
const OVERLAP = 1.05;

/** Closed-cell foam between each mount and its metal: once round its hole. A tweeter's seat has its own. */
export function foamNeeds(openings: readonly MountedOpening[]): readonly SmallNeed[] {
  const around = openings.filter(({ tweeterSeat }) => tweeterSeat === null);
  if (around.length === 0) return [];
  const lengths = around.map((opening) => ({ label: placeLabel(opening), mm: roundMm(opening) }));
  const whole = lengths.reduce((sum, { mm }) => sum + (mm ?? 0), 0) / 1000;
  const unknown = lengths.filter(({ mm }) => mm === null).map(({ label }) => label);
  return [
    {
      what: 'Foam tape, closed-cell, between mount and metal',
      why: [
        ...(whole > 0
          ? [
              `${lengths.flatMap(({ label, mm }) => (mm === null ? [] : `${label}: ${(mm / 1000).toFixed(2)} m`)).join('; ')}, once round each hole.`,
            ]
          : []),
        ...(unknown.length > 0 ? [`More for ${unknown.join('; ')}: nobody measured the hole.`] : []),
      ].join(' '),
      ...(whole > 0 && unknown.length === 0 ? { lengthM: Math.ceil(whole * 100) / 100 } : {}),
      good: { kind: 'foam', types: ['tape'] },
    },
  ];
}

/** Once round, with its overlap; null where nobody measured it. */
function roundMm({ dimensions, housing }: MountedOpening): number | null {
  const read = (key: 'holeDiameter' | 'holeLength' | 'holeWidth') => dimensions[key]?.readingsMm[0];
  const [long, wide] = [read('holeLength'), read('holeWidth')];
  const across = housing?.holeMm ?? read('holeDiameter') ?? (long && wide ? (long + wide) / 2 : undefined);
  return across === undefined ? null : Math.PI * across * OVERLAP;
}
