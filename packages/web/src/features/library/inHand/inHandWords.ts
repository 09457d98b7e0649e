/** What was measured in hand, beside what the catalogue says, in words. */
import {
  bodyBoxWords,
  differencesOf,
  FIGURE_WORDS,
  figuresOf,
  handWords,
  type InHand,
  inHandDimension,
  type MakersBias,
  type SpeakerRecord,
  shownReachMm,
  terminalsDoubt,
} from '@low-quarry/core/catalogue';

const mm = (value: number) => value.toFixed(1);
const signed = (value: number) => `${value < 0 ? '−' : '+'}${mm(Math.abs(value))} mm`;

export type InHandLine = {
  readonly figure: InHand['figure'];
  readonly label: string;
  /** Such as "61.6 ± 0.9 mm". */
  readonly counted: string;
  /** Such as "+1.1 mm against the catalogue". */
  readonly against: string;
  /** Such as "61.4 61.6; 61.9 mm, 2 pieces". */
  readonly read: string;
  readonly by: string;
  readonly on: string;
};

export function inHandLines(speaker: SpeakerRecord): readonly InHandLine[] {
  const said = figuresOf(speaker);
  const off = differencesOf(speaker);
  return speaker.inHand.map((each) => {
    const { figure, pieces, by, on } = each;
    const measured = inHandDimension(each, speaker.roundingMm);
    const difference = off[figure];
    return {
      ...{ figure, by, on, label: FIGURE_WORDS[figure].label },
      counted: `${mm(measured.valueMm)} ± ${mm(shownReachMm(measured))} mm`,
      against:
        difference === undefined
          ? 'the catalogue says nothing of it'
          : `${signed(difference)} against ${said[figure]} mm in the catalogue`,
      read: `${handWords(pieces)} mm, ${pieces.length} ${pieces.length === 1 ? 'piece' : 'pieces'}`,
    };
  });
}

export type TerminalsLine = Pick<InHandLine, 'counted' | 'against' | 'by' | 'on'>;

/** Null where nobody measured them. */
export function terminalsLine({ terminalsInHand, boxes, roundingMm }: SpeakerRecord): TerminalsLine | null {
  if (!terminalsInHand) return null;
  const { by, on } = terminalsInHand;
  const reach = mm(shownReachMm(terminalsDoubt(terminalsInHand, roundingMm)));
  return {
    ...{ by, on, counted: `${bodyBoxWords(terminalsInHand.boxes)}; each face ± ${reach} mm` },
    against: boxes.length === 0 ? 'the catalogue says nothing of them' : `the catalogue has ${bodyBoxWords(boxes)}`,
  };
}

/** Such as "Depths of Wrackline are +1.1 mm off, ± 0.5 mm from part to part, by 3 of his parts: counted with here." */
export function biasLine({ figure, biasMm, uncertaintyMm, parts }: MakersBias, speaker: SpeakerRecord): string {
  const reach = shownReachMm({ uncertaintyMm, degreesOfFreedom: parts - 1 });
  const { label } = FIGURE_WORDS[figure];
  const isMeasured = speaker.inHand.some((each) => each.figure === figure);
  const counted = isMeasured ? 'this one was measured itself' : 'counted with here';
  return `${label}: ${parts} parts of ${speaker.maker} measured ${signed(biasMm)} against the catalogue, ± ${mm(reach)} mm from part to part; ${counted}.`;
}
