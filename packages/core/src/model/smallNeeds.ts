/**
 * What a job needs beside the parts that are on its lines: what earlier work left missing, what breaks when a panel comes off, what a
 * riveted speaker asks for. How many clips break is nobody's figure: the panel's own count stands beside it. Common practice, no source.
 */
import { EARLIER_WORK } from './earlierWork';
import type { OpeningRecord } from './opening';
import { FASTENER_LABELS, type Fastener, type Panel, panelAt, panelLabel } from './panel';
import { placeLabel } from './place';

/** Something to have at hand, and why. */
export type SmallNeed = { readonly what: string; readonly why: string };

type NeedingOpening = Pick<OpeningRecord, 'place' | 'side' | 'name' | 'fixing' | 'earlier' | 'presence'>;

/** What holds a panel and may be left on the floor when it comes off. */
const BREAKS_OFTEN: ReadonlySet<Fastener['kind']> = new Set(['treeClip', 'pushPin', 'plasticRivet', 'expandingPlug']);

/**
 * @param openings those that are worked on
 * @returns each once, in the order of the openings
 */
export function smallNeeds(openings: readonly NeedingOpening[], panels: readonly Panel[]): readonly SmallNeed[] {
  const needs = [
    ...openings.flatMap((opening) => [...riveted(opening), ...leftByEarlierWork(opening)]),
    ...panelsOf(openings, panels).flatMap(spares),
  ];
  return needs.filter((need, at) => needs.findIndex(({ what, why }) => what === need.what && why === need.why) === at);
}

function riveted(opening: NeedingOpening): readonly SmallNeed[] {
  if (opening.fixing !== 'rivets' || opening.presence !== 'fitted') return [];
  return [
    {
      what: 'Rivet nuts, clip nuts or screws, and a drill for the rivets',
      why: `${placeLabel(opening)}: the old speaker is riveted.`,
    },
  ];
}

function leftByEarlierWork(opening: NeedingOpening): readonly SmallNeed[] {
  return (opening.earlier ?? []).flatMap((each) => {
    const { need, label } = EARLIER_WORK[each];
    return need === null ? [] : [{ what: need, why: `${placeLabel(opening)}: ${label.toLowerCase()}, from before.` }];
  });
}

/** In front of these openings, each once. */
function panelsOf(openings: readonly NeedingOpening[], panels: readonly Panel[]): readonly Panel[] {
  const inFront = openings.flatMap(({ place, side }) => {
    const where = panelAt(place, side);
    return panels.filter(({ kind, spot }) => kind === where?.kind && spot === where.spot);
  });
  return [...new Set(inFront)];
}

function spares(panel: Panel): readonly SmallNeed[] {
  const label = panelLabel(panel);
  const clips = (panel.fasteners ?? [])
    .filter(({ kind }) => BREAKS_OFTEN.has(kind))
    .map(({ kind, count }) => ({
      what: `Spares of the ${FASTENER_LABELS[kind]}s`,
      why: `${label}: ${count === null ? 'nobody counted how many hold it' : `${count} hold it`}, and some break or stay in the door.`,
    }));
  const breaks = panel.breaks
    ? [{ what: 'Spares of what breaks easily', why: `${label}: ${panel.breaks.replace(/[.!]?$/, '.')}` }]
    : [];
  return [...clips, ...breaks];
}
