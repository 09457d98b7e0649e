/**
 * Front gap: grille or door card against layers, flange and the tallest part in front.
 */
import { printLength } from '../../../units/printLength';
import { SPEAKER } from '../../layout/slots';
import type { View } from '../../layout/View';
import type { CheckKind } from '../CheckKind';

const MISSING = 1;

export const front: CheckKind = {
  mostSides: 1,
  ask(view, gaps, { clearancesMm }) {
    const { frontGap } = view.opening.opening;
    if (!frontGap) {
      gaps.missing(MISSING);
      return;
    }
    const { doubts, opening } = view;
    doubts.add(opening.frontSlot, 1);
    view.addHeights(-1);
    doubts.add(SPEAKER.flangeThickness, -1);
    doubts.add(SPEAKER.frontHeight, -1);
    gaps.offer(frontGap.valueMm - reachInFrontMm(view) - clearancesMm.front, 0);
  },
  tell(view, { tag, valueMm, verdict }, { clearancesMm }, unit) {
    const { frontGap } = view.opening.opening;
    if (tag === MISSING || !frontGap)
      return { sentence: 'The gap to the grille has not been taken.', nearest: null, missing: ['frontGap'] };
    const asked = clearancesMm.front;
    const { xMm, yMm } = view.pose;
    const room = `the shop asks ${printLength(asked, unit)}`;
    const gap = valueMm + asked;
    const close = verdict === 'measure' ? ', too close to call' : '';
    return {
      sentence:
        gap < 0
          ? `The front would push ${printLength(-gap, unit)} into the grille; ${room} of air.`
          : `The front stays ${printLength(gap, unit)} behind the grille; ${room}${close}.`,
      nearest: {
        onPart: [xMm, yMm, -reachInFrontMm(view)],
        onOther: [xMm, yMm, -frontGap.valueMm],
        askedMm: asked,
      },
    };
  },
};

/** How far the stack stands into the cabin from the mounting plane, mm. */
function reachInFrontMm({ raisedMm, speaker }: View): number {
  return raisedMm + speaker.frontMm;
}
