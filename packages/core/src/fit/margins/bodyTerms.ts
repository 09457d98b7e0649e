/** What the body's part in a gap adds to its doubts: the ring that is nearest, and how high the flange stands. */
import type { Reach } from '../../geometry';
import { SPEAKER } from '../layout/slots';
import type { View } from '../layout/View';

/** A body that grows takes room away: its nearest ring with minus, what raises it with plus. */
export function addBody(
  view: View,
  { ring, alongRatio, acrossRatio }: Pick<Reach, 'ring' | 'alongRatio' | 'acrossRatio'>,
  nz: number,
): void {
  const { speaker, doubts } = view;
  speaker.addDepth(doubts, ring, -nz);
  speaker.addWidths(doubts, ring, -alongRatio, -acrossRatio);
  view.addHeights(nz);
}

/** A box may stand out farther than it is drawn, whichever of its faces is nearest. */
export function addBox(view: View, nz: number): void {
  view.doubts.add(SPEAKER.boxes, -1);
  view.addHeights(nz);
}
