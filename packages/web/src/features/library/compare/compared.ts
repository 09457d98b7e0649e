/** Parts of one kind beside each other: each figure in words, and of lengths by how much they stand over the first part's. */
import { asKnown, FIGURE_SPECS, type PartKind, type PartRecord, type SpeakerRecord } from '@low-quarry/core/catalogue';
import { figureOf } from '../figures/typedFigures';
import { inHandLines, terminalsLine } from '../inHand/inHandWords';

/** More lie over each other unreadably. */
export const MOST_COMPARED = 4;

type ComparedCell = {
  readonly words: string;
  /** Over the first part's, such as "+2.5"; null where there is no such number, or no difference. */
  readonly over: string | null;
};
export type ComparedRow = {
  readonly key: string;
  readonly label: string;
  readonly cells: readonly ComparedCell[];
  readonly differs: boolean;
};

export function comparedAddress(ids: readonly string[]): string {
  return `/compare?${new URLSearchParams(ids.map((id) => ['part', id]))}`;
}

/** @param parts of one kind, at least one */
export function comparedRows(parts: readonly PartRecord[]): readonly ComparedRow[] {
  const [first] = parts;
  if (!first) return [];
  const isOneDatum = new Set(parts.map((part) => part.kind === 'speaker' && part.depthDatum)).size === 1;
  const figures = FIGURE_SPECS[first.kind].map(({ key, label, options, print }) => {
    const values = parts.map((part) => figureOf(part, key));
    const cells = values.map((value) => {
      const printed = print(value as never);
      const words = options?.find(([option]) => option === printed)?.[1] ?? printed;
      // Depths that count from different places are no longer or shorter by what they differ.
      const isCounted = key !== 'mountingDepthMm' || isOneDatum;
      return {
        words: wordsOf(first.kind, key, value, words),
        over: isCounted ? overWords(measureOf(values[0]), measureOf(value)) : null,
      };
    });
    return rowOf(key, label, cells);
  });
  const behind = isOneDatum ? [] : [behindRow(parts)];
  return [...behind, ...handRows(parts), ...figures];
}

function rowOf(key: string, label: string, cells: readonly ComparedCell[]): ComparedRow {
  return { key, label, cells, differs: cells.some(({ words }) => words !== cells[0]?.words) };
}

/** How far each reaches behind the metal, whichever way its maker counts; of one who does not say, from and to. */
function behindRow(parts: readonly PartRecord[]): ComparedRow {
  const reaches = parts.map((part) => (part.kind === 'speaker' ? reachOf(asKnown(part)) : null));
  const sure = (reach: Reach | null | undefined) => (reach && reach.leastMm === reach.mostMm ? reach.mostMm : null);
  const cells = reaches.map((reach) => ({
    words: reach === null ? 'not stated' : [...new Set([reach.leastMm, reach.mostMm])].join(' to '),
    over: overWords(sure(reaches[0]), sure(reach)),
  }));
  return rowOf('behind', 'Behind the metal, mm', cells);
}

/** What calliper and catalogue say is not one figure: it stands in a row of its own, where any of them was measured. */
function handRows(parts: readonly PartRecord[]): readonly ComparedRow[] {
  if (!parts.some((part) => part.kind === 'speaker' && (part.inHand.length > 0 || part.terminalsInHand))) return [];
  const cells = parts.map((part) => {
    const lines = part.kind === 'speaker' ? inHandLines(part) : [];
    const terminals = part.kind === 'speaker' ? terminalsLine(part) : null;
    const all = [
      ...lines.map(({ label, counted }) => `${label} ${counted}`),
      ...(terminals ? [terminals.counted] : []),
    ];
    return {
      words: all.join('; ') || 'nobody measured',
      over: null,
    };
  });
  return [rowOf('inHand', 'Measured in hand', cells)];
}

type Reach = { readonly leastMm: number; readonly mostMm: number };

function reachOf({ mountingDepthMm, flangeThicknessMm, depthDatum }: SpeakerRecord): Reach | null {
  if (mountingDepthMm === null) return null;
  const fromTopMm = flangeThicknessMm === null ? null : Number((mountingDepthMm - flangeThicknessMm).toFixed(2));
  if (depthDatum === 'underside') return { leastMm: mountingDepthMm, mostMm: mountingDepthMm };
  if (fromTopMm === null) return null;
  return { leastMm: fromTopMm, mostMm: depthDatum === 'top' ? fromTopMm : mountingDepthMm };
}

/** Of what a part need not have, and its form says so: nothing there is nothing on the part. */
const NEED_NOT_HAVE: Readonly<Partial<Record<PartKind, ReadonlySet<string>>>> = {
  bracket: new Set(['notchDeg']),
  fastener: new Set(['lengthMm', 'thread', 'driver']),
  panelClip: new Set(['holeMm']),
  terminal: new Set(['sizeMm']),
  tweeterSeat: new Set(['holeMm']),
  amplifier: new Set(['leastBridgedOhm']),
  harnessAdapter: new Set(['filter']),
  tool: new Set(['size']),
};

/** What nobody wrote down says so; of what is a list there may be none. */
function wordsOf(kind: PartKind, key: string, value: unknown, printed: string): string {
  if (printed !== '') return printed;
  if (NEED_NOT_HAVE[kind]?.has(key)) return 'none';
  // A body has sections, whether its maker lists them or not.
  return value === null || value === undefined || key === 'profile' ? 'not stated' : 'none';
}

/** A number, or of a round outline its diameter. */
function measureOf(value: unknown): number | null {
  if (typeof value === 'number') return value;
  if (typeof value !== 'object' || value === null || !('diameterMm' in value)) return null;
  return typeof value.diameterMm === 'number' ? value.diameterMm : null;
}

function overWords(first: number | null, value: number | null): string | null {
  if (first === null || value === null) return null;
  const over = Number((value - first).toFixed(2));
  if (over === 0) return null;
  return over > 0 ? `+${over}` : `−${-over}`;
}
