/**
 * Place: whether there is an opening at all, and what of it is only taken as usual. A figure that is judged against a hole of a shape
 * that nobody has seen is worth what the guess is worth, however well its lengths are known.
 */
import { HOUSING_LABELS } from '../../../housing';
import type { Assumable, FitOpening } from '../../shapes';
import type { CheckKind } from '../CheckKind';

const SEEN = 0;

export const place: CheckKind = {
  askedAt: 'beside',
  mostSides: 1,
  dependsOnTurn: () => false,
  setsHeight: null,
  ask({ opening: { opening } }, gaps) {
    if (opening.isThere !== 'yes' || opening.made?.isOnClosed) gaps.factOfOpening('hold', SEEN);
    else if (opening.assumed.length > 0) gaps.notLooked('opening', SEEN);
    else gaps.factOfOpening('clears', SEEN);
  },
  tell: ({ opening: { opening } }) => ({ sentence: placeWords(opening), nearest: null }),
};

const ASSUMED_WORDS: Readonly<Record<Assumable, string>> = {
  holeKind: 'the shape of the hole',
  bolts: 'how many screw holes there are and where',
  fixing: 'how the old speaker is held',
  behind: 'what is behind it',
};

/** What is at the place, and what to look at where nobody has. */
export function placeWords({ isThere, assumed, made }: Pick<FitOpening, 'isThere' | 'assumed' | 'made'>): string {
  if (isThere === 'no') return 'This vehicle has no place for a speaker here.';
  if (isThere === 'blank')
    return 'The panel is closed here: there is no opening. A pod on it, or a new hole, would be a decision with the owner’s leave.';
  if (made?.isOnClosed)
    return `The panel is closed here, and a ${HOUSING_LABELS[made.housing.as].toLowerCase()} is built on it: its holes stay, so the owner agrees first.`;
  if (assumed.length === 0) return 'There is an opening here, and nothing of it is taken as usual.';
  const what = assumed.map((each) => ASSUMED_WORDS[each]).join(', ');
  return `Taken as is usual for such a body, and nobody has looked: ${what}. With the cover off, a lamp and a minute tell.`;
}
