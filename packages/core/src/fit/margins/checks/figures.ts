/**
 * Figures agree: what was noted of the opening and what the catalogue says of the parts can be true together. Where they
 * cannot, every margin rests on a figure that is wrong, and which one it is has to be asked.
 */
import {
  type Contradiction,
  layerContradictions,
  openingContradictions,
  speakerContradictions,
} from '../../layout/contradictions';
import type { View } from '../../layout/View';
import type { CheckKind } from '../CheckKind';

const AGREE = 0;
const DISAGREE = 1;
const DOUBTED = 2;

export const figures: CheckKind = {
  askedAt: 5,
  mostSides: 1,
  dependsOnTurn: () => true,
  setsHeight: null,
  ask(view, gaps) {
    // A figure that its class does not bear out is not weighed against a margin: somebody looks at the piece first.
    if (view.speaker.speaker.doubted.length > 0) gaps.fact('hold', DOUBTED);
    else if (firstOf(view)) gaps.fact('measure', DISAGREE);
    else gaps.fact('clears', AGREE);
  },
  tell(view, { tag }, _rules, unit) {
    if (tag === DOUBTED) {
      const { name, doubted } = view.speaker.speaker;
      const advice = 'Measure a piece, or ask the maker, and settle it on the page of the part.';
      return { sentence: `A figure of ${name} is doubted. ${doubted.join(' ')} ${advice}`, nearest: null };
    }
    const found = tag === DISAGREE ? firstOf(view) : null;
    if (!found) return { sentence: 'The figures of opening and parts agree with each other.', nearest: null };
    const { whose, contradiction, advice } = found;
    const { names } = view.opening;
    return {
      sentence: `${whose} contradict each other: ${contradiction.words(unit)}. ${advice}`,
      nearest: null,
      missing: contradiction.keys.filter((key) => names.includes(`opening.${key}`)),
    };
  },
};

type Found = { readonly whose: string; readonly contradiction: Contradiction; readonly advice: string };

function firstOf({ opening, speaker, layers }: View): Found | null {
  const [noted] = openingContradictions(opening);
  if (noted) return { whose: "The opening's figures", contradiction: noted, advice: 'Measure both again.' };
  const [claimed] = speakerContradictions(speaker);
  const ask = 'Ask the maker, or measure it when it comes.';
  if (claimed)
    return { whose: `The catalogue's figures of ${speaker.speaker.name}`, contradiction: claimed, advice: ask };
  for (const { layer } of layers) {
    const [of] = layerContradictions(layer);
    if (of) return { whose: `The catalogue's figures of ${layer.name}`, contradiction: of, advice: ask };
  }
  return null;
}
