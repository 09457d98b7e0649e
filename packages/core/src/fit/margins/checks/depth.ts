/**
 * Depth to what lies behind: the glass over the whole travel of its window, or a second skin. The whole body counts, not
 * only its deepest point: against a leaning glass the rim of the magnet, or of the basket, comes first.
 */
import { closestPoints, type Gap, newGap, sheetDepthMm, sheetGap } from '../../../geometry';
import type { LengthUnit } from '../../../units';
import { printLength } from '../../../units';
import { type BoxGap, boxSheetGap } from '../../layout/bodyBoxes';
import { readingsBelowEdge, type SheetDoubt } from '../../layout/sheetFit';
import type { View } from '../../layout/View';
import type { Behind, DepthReading, FitOpening, FitRules } from '../../shapes';
import { addBody, addBox } from '../bodyTerms';
import type { CheckKind, Told } from '../CheckKind';
import type { Gaps } from '../Gaps';

const BODY = 0;
/** And from there the boxes. */
const FIRST_BOX = 1;
const NOTHING = 100;
const MISSING = 101;
const ONLY_BELOW_EDGE = 102;
/** Below its lower edge the stick met something else. */
const BELOW_EDGE = 104;
/** The readings cannot be believed without asking. */
const DOUBTED = 103;
/** The body stands below the lower edge of the glass, where nobody has read a depth. */
const UNREAD_BELOW_EDGE = 105;

const gap: Gap = newGap();

/** Below this slope a sheet is parallel to the wall. */
const LEVEL = 1e-6;
/** Directions around a ring from which a sheet that may lean is asked. */
const AROUND = 8;

export const depth: CheckKind = {
  askedAt: 8,
  mostSides: 4,
  dependsOnTurn: () => true,
  setsHeight: 'least',
  ask(view, gaps, rules) {
    const { opening } = view;
    if (opening.opening.behind === 'nothing') {
      gaps.fact('clears', NOTHING);
      return;
    }
    const { sheet } = opening;
    if (!sheet) {
      gaps.missing(opening.opening.depths.length > 0 ? ONLY_BELOW_EDGE : MISSING);
      return;
    }
    const asked = behindClearanceMm(opening.opening.behind, rules);
    const atEdge = sheetGap(gap, view.body, sheet);
    const { reach, gapMm, nx, ny, nz } = gap;
    // What stands parallel touches all along its rim: wherever the sheet leans, a place up there or down there comes nearer.
    const aside = Math.abs(nx) + Math.abs(ny) < LEVEL ? rimMm(view, reach.ring) : 0;
    opening.addSheet(view.doubts, reach.x + gapMm * nx, reach.y + gapMm * ny + aside, nz);
    if (atEdge && opening.lowerEdgeSlot >= 0) {
      view.doubts.add(opening.lowerEdgeSlot, ny + nz * (sheet.c2 + 2 * sheet.c3 * (sheet.lowerEdgeMm ?? 0)));
    }
    addBody(view, reach, nz);
    gaps.offer(gapMm - asked, BODY);
    const { boxes } = view;
    for (let at = 0; at < boxes.length; at++) {
      const found = boxSheetGap(boxes[at] as View['boxes'][number], sheet);
      opening.addSheet(view.doubts, found.onOther[0], found.onOther[1], found.direction[2]);
      addBox(view, found.direction[2]);
      gaps.offer(found.gapMm - asked, FIRST_BOX + at);
    }
    askBelowEdge(view, gaps, rules);
    if (gaps.verdict === 'clears' && isUnreadBelowEdge(view, asked)) gaps.missing(UNREAD_BELOW_EDGE);
    if (gaps.verdict === 'clears' && opening.fitted?.doubts.some(isAsked)) gaps.fact('measure', DOUBTED);
  },
  /**
   * Each ring from several sides. A sheet that may lean either way takes room away whichever way it does, and where two
   * rings are equally near either may be the one that is met: the nearest place alone would know only one of them.
   */
  askAround(view, gaps, rules) {
    const { opening, speaker, body, doubts } = view;
    const { sheet } = opening;
    if (!sheet) return;
    const asked = behindClearanceMm(opening.opening.behind, rules);
    const edgeMm = sheet.lowerEdgeMm;
    for (let ring = 0; ring < speaker.ringCount; ring++) {
      const [a, b] = [speaker.halfLengthMm(ring), speaker.halfWidthMm(ring)];
      const z = speaker.ringDepthMm(ring) - view.raisedMm;
      for (let step = 0; step < AROUND; step++) {
        const angle = (2 * Math.PI * step) / AROUND;
        const [u, v] = [Math.cos(angle), Math.sin(angle)];
        const x = body.x + a * u * body.cos - b * v * body.sin;
        const y = body.y + a * u * body.sin + b * v * body.cos;
        if (edgeMm !== null && y < edgeMm) continue;
        const slope = sheet.c2 + 2 * sheet.c3 * y;
        const by = 1 / Math.sqrt(1 + sheet.c1 * sheet.c1 + slope * slope);
        opening.addSheet(doubts, x, y, by);
        speaker.addDepth(doubts, ring, -by);
        // A wider ring meets the sheet where it has come nearer, or gone farther away.
        const outwards = sheet.c1 * (u * body.cos - v * body.sin) + slope * (u * body.sin + v * body.cos);
        speaker.addWidths(doubts, ring, by * outwards * u * u, by * outwards * v * v);
        view.addHeights(by);
        gaps.alsoFrom((sheetDepthMm(sheet, x, y) - z) * by - asked);
      }
    }
  },
  tell(view, gaps, rules, unit) {
    const { opening } = view.opening;
    const behind = behindWord(opening);
    switch (gaps.tag) {
      case NOTHING:
        return { sentence: 'Nothing stands behind this opening.', nearest: null };
      case MISSING:
        return { sentence: `The depth to ${behind} has not been taken.`, nearest: null, missing: ['depthBehind'] };
      case ONLY_BELOW_EDGE:
        return {
          sentence: `No depth was read above the lower edge of the glass: below it the stick meets what stands behind ${behind}.`,
          nearest: null,
          missing: ['depthTop'],
        };
      case UNREAD_BELOW_EDGE:
        return {
          sentence:
            'The body stands below the lower edge of the glass, past where the glass is: what stands there, the outer skin mostly, nobody has read. Read a depth below that edge.',
          nearest: null,
          missing: ['depthBottom'],
        };
      case DOUBTED:
        return doubtWords(view);
      case BELOW_EDGE:
        return belowEdgeWords(view, gaps, rules, unit);
      case BODY:
        return bodyWords(view, gaps, rules, unit);
      default:
        return boxWords(view, gaps, rules, unit);
    }
  },
};

/**
 * What the stick met below the window's lower edge, the outer skin mostly: the body must stay off it like off any metal. It
 * is taken as parallel to the wall, at the nearest of these readings.
 */
function askBelowEdge(view: View, gaps: Gaps, { clearancesMm }: FitRules): void {
  const nearest = nearestBelow(view);
  if (!nearest) return;
  const { opening, speaker } = view;
  view.doubts.add(opening.slotOf(nearest.key), 1);
  speaker.addDepth(view.doubts, speaker.ringCount - 1, -1);
  view.addHeights(1);
  gaps.offer(nearest.depth.valueMm - speaker.depthMm + view.raisedMm - clearancesMm.metal, BELOW_EDGE);
}

/**
 * Whether a part of the body is past where the glass would be, were it longer, and nobody knows what stands there: the outer skin
 * lies behind the glass, how far nobody has read. What stays in front of that is in front of the skin too.
 */
function isUnreadBelowEdge(view: View, askedMm: number): boolean {
  const { opening, boxes } = view;
  const { sheet } = opening;
  if (!sheet || sheet.lowerEdgeMm === null || readingsBelowEdge(opening.opening).length > 0) return false;
  const longer = { ...sheet, lowerEdgeMm: null };
  sheetGap(gap, view.body, longer);
  return gap.gapMm < askedMm || boxes.some((box) => boxSheetGap(box, longer).gapMm < askedMm);
}

function nearestBelow({ opening }: View) {
  return readingsBelowEdge(opening.opening).reduce<DepthReading | null>(
    (least, each) => (!least || each.depth.valueMm < least.depth.valueMm ? each : least),
    null,
  );
}

function belowEdgeWords(view: View, { valueMm, verdict }: Gaps, { clearancesMm }: FitRules, unit: LengthUnit): Told {
  const asked = clearancesMm.metal;
  const z = view.speaker.depthMm - view.raisedMm;
  const { xMm, yMm } = view.pose;
  return {
    sentence: depthSentence(
      'The magnet',
      valueMm + asked,
      asked,
      'what the stick met below the glass',
      '',
      unit,
      verdict === 'measure',
    ),
    nearest: { onPart: [xMm, yMm, z], onOther: [xMm, yMm, z + valueMm + asked], askedMm: asked },
  };
}

/** What lies below the lower edge is known already to be none of the glass; the rest has to be asked about. */
function isAsked({ kind }: SheetDoubt): boolean {
  return kind !== 'belowEdge';
}

const RIM_KEYS = ['depthTop', 'depthBottom', 'depthFront', 'depthRear'] as const;

function doubtWords({ opening }: View): Told {
  const { depths } = opening.opening;
  const doubt = opening.fitted?.doubts.find(isAsked);
  const taken = new Set(depths.map(({ key }) => key));
  const missing = RIM_KEYS.filter((key) => !taken.has(key)).slice(0, 1);
  const what = behindWord(opening.opening);
  const sentence =
    doubt?.kind === 'contradiction'
      ? `The depths contradict each other by ${doubt.misfitMm.toFixed(1)} mm: no sheet passes through them. Read them again.`
      : `By these depths ${what} would ${unusualWords(doubt)}. Read one more place: did the stick meet ${what}?`;
  return { sentence, nearest: null, missing };
}

function unusualWords(doubt: SheetDoubt | undefined): string {
  if (doubt?.kind !== 'unusual') return 'stand as nobody would expect';
  if (doubt.what === 'curvature') return 'bend more than its kind does';
  const degrees = (slope: number) => `${Math.round((Math.atan(slope) * 180) / Math.PI)}°`;
  const way = doubt.what === 'lean' ? 'lean' : 'lean sideways';
  return `${way} by ${degrees(Math.abs(doubt.found))}, where ${degrees(Math.abs(doubt.usual))} is usual`;
}

/** How far the rim of a ring lies above its middle, mm. */
function rimMm({ speaker, body }: View, ring: number): number {
  return Math.hypot(speaker.halfLengthMm(ring) * body.sin, speaker.halfWidthMm(ring) * body.cos);
}

function bodyWords(view: View, { valueMm, verdict }: Gaps, rules: FitRules, unit: LengthUnit): Told {
  const { opening, sheet } = view.opening;
  if (!sheet) throw new Error('depth: expected a sheet');
  const atEdge = sheetGap(gap, view.body, sheet);
  const { onBody, onOther } = closestPoints(gap);
  const asked = behindClearanceMm(opening.behind, rules);
  const part = gap.reach.ring >= view.speaker.ringCount - 2 ? 'The magnet' : 'The basket';
  const place = atEdge ? ', at its lower edge' : whereWords(onOther[0], onOther[1]);
  return {
    sentence: depthSentence(part, valueMm + asked, asked, behindWord(opening), place, unit, verdict === 'measure'),
    nearest: { onPart: onBody, onOther, askedMm: asked },
  };
}

function boxWords(view: View, { tag, valueMm, verdict }: Gaps, rules: FitRules, unit: LengthUnit): Told {
  const { opening, sheet } = view.opening;
  const box = view.boxes[tag - FIRST_BOX];
  if (!sheet || !box) throw new Error('depth: expected the box that decides');
  const found: BoxGap = boxSheetGap(box, sheet);
  const asked = behindClearanceMm(opening.behind, rules);
  const behind = behindWord(opening);
  return {
    sentence: depthSentence(`The ${box.label}`, valueMm + asked, asked, behind, '', unit, verdict === 'measure'),
    nearest: { onPart: found.onBox, onOther: found.onOther, askedMm: asked },
  };
}

function depthSentence(
  part: string,
  gapMm: number,
  askedMm: number,
  behind: string,
  place: string,
  unit: LengthUnit,
  isClose: boolean,
): string {
  const room = `the shop asks ${printLength(askedMm, unit)}`;
  if (gapMm < 0) return `${part} would stand ${printLength(-gapMm, unit)} into ${behind}${place}; ${room} of air.`;
  const close = isClose ? ', too close to call' : '';
  return `${part} stops ${printLength(gapMm, unit)} short of ${behind}${place}; ${room}${close}.`;
}

/** Where on the face, when it is clearly to one side. */
function whereWords(xMm: number, yMm: number): string {
  if (Math.abs(yMm) < 15 && Math.abs(xMm) < 15) return '';
  if (Math.abs(yMm) >= Math.abs(xMm)) return yMm > 0 ? ' at the top' : ' at the bottom';
  return xMm > 0 ? ' on the right' : ' on the left';
}

export function behindClearanceMm(behind: Behind, { clearancesMm }: FitRules): number {
  return behind === 'glass' ? clearancesMm.glass : clearancesMm.metal;
}

export function behindWord({ behind, made }: Pick<FitOpening, 'behind' | 'made'>): string {
  if (made?.housing.back === 'closed') return 'the panel behind';
  return behind === 'glass' ? 'the glass' : 'the metal behind';
}
