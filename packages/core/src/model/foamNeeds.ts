/** Foam between a mount and its metal, by the length of the ring that it makes. */
import { polygonPoints } from '../geometry';
import type { OpeningRecord } from './opening';
import { placeLabel } from './place';
import type { SmallNeed } from './smallNeeds';

type HoledOpening = Pick<OpeningRecord, 'housing' | 'holeKind' | 'cornerRadiusMm' | 'trace' | 'dimensions'>;
type MountedOpening = HoledOpening & Pick<OpeningRecord, 'place' | 'side' | 'name' | 'tweeterSeat'>;

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
function roundMm(opening: HoledOpening): number | null {
  const mm = edgeMm(opening);
  return mm === null ? null : mm * OVERLAP;
}

/** Of an oval as of the circle between its length and its width. */
function edgeMm({ dimensions, housing, holeKind, cornerRadiusMm, trace }: HoledOpening): number | null {
  const read = (key: 'holeDiameter' | 'holeLength' | 'holeWidth') => dimensions[key]?.readingsMm[0] ?? null;
  const around = (acrossMm: number | null) => acrossMm && Math.PI * acrossMm;
  if (housing) return around(housing.holeMm);
  if (holeKind === 'circle') return around(read('holeDiameter'));
  if (holeKind === 'polygon') return trace && aroundPlaces(polygonPoints(trace));
  const [long, wide] = [read('holeLength'), read('holeWidth')];
  if (!long || !wide) return null;
  return holeKind === 'oval' ? around((long + wide) / 2) : 2 * (long + wide) - (8 - 2 * Math.PI) * cornerRadiusMm;
}

function aroundPlaces(places: readonly (readonly [number, number])[]): number {
  return places.reduce((sum, [x, y], at) => {
    const [nextX, nextY] = places[(at + 1) % places.length] ?? [x, y];
    return sum + Math.hypot(nextX - x, nextY - y);
  }, 0);
}
