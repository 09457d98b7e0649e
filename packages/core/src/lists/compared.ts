/** Speakers as they are compared with their class, and with what came of it. */
import { FIGURE_IDS, figuresOf, type PartRecord, type SpeakerRecord } from '../catalogue';
import { type ComparedSpeaker, doubtSpeakers, type MakersDatum, type SpeakerDoubt } from '../doubt';

export function toCompared(speaker: SpeakerRecord): ComparedSpeaker {
  const { maker, speakerKind, nominalSize } = speaker;
  return { maker, speakerKind, nominalSize, figures: figuresOf(speaker) };
}

export function isSettled({ doubts }: SpeakerRecord, { figure, value }: SpeakerDoubt): boolean {
  return doubts.some((each) => each.figure === figure && each.value === value && each.settled !== null);
}

export function withDoubt(speaker: SpeakerRecord, doubt: SpeakerDoubt): SpeakerRecord {
  const others = speaker.doubts.filter(({ figure }) => figure !== doubt.figure);
  return {
    ...speaker,
    doubts: [...others, { ...doubt, words: doubt.words.slice(0, 400), settled: null }].slice(0, FIGURE_IDS.length),
  };
}

export type LibraryDoubts = {
  /** Each speaker of which a figure is doubted and not settled, as it would be on hold. */
  readonly doubted: readonly { readonly speaker: SpeakerRecord; readonly doubt: SpeakerDoubt }[];
  readonly speakers: number;
  /** How many have too few of their kind, or too few figures, to be compared with. */
  readonly notCompared: number;
  readonly datums: readonly MakersDatum[];
};

/** Looks through all figures of a library at once. */
export function doubtsOf(parts: readonly PartRecord[]): LibraryDoubts {
  const speakers = parts.filter((part) => part.kind === 'speaker');
  const { doubts, notCompared, datums } = doubtSpeakers(speakers.map(toCompared), []);
  const doubted = [...doubts].flatMap(([at, doubt]) => {
    const speaker = speakers[at] as SpeakerRecord;
    return isSettled(speaker, doubt) ? [] : [{ speaker: withDoubt(speaker, doubt), doubt }];
  });
  return { doubted, speakers: speakers.length, notCompared: notCompared.length, datums };
}
