/**
 * Which bolt classes keep their answers when an opening changes. A bolt circle that is dragged leaves most chains as they
 * were: the same brackets mate, turned as before, and by a margin with the same verdict; what their speakers were told about
 * hole, depth and front then still holds.
 */
import type { FitOpening } from '../shapes';
import type { MountColumns } from './MountColumns';
import type { OpeningFacts } from './OpeningFacts';
import { verdictOf } from './Scratch';
import { areSameSpacers, type SpacerOption } from './SpacerOption';

type Facts = Pick<OpeningFacts, 'mounts' | 'spacers'>;

export class HeldClasses {
  private mounts: MountColumns | null = null;
  private spacers: readonly SpacerOption[] = [];
  /** The opening but for its screws. */
  private rest = '';

  /**
   * For each class of speakers 1 where the answers that were kept last hold for this opening too. Until answers are kept
   * again nothing holds: they are about to be written over.
   */
  since(opening: FitOpening, { mounts, spacers }: Facts): Uint8Array {
    const held = new Uint8Array(mounts.classes);
    const before = this.mounts;
    const rest = restOf(opening);
    const isOnlyScrews = rest === this.rest && areAlike(spacers, this.spacers);
    this.mounts = null;
    this.rest = rest;
    if (!before || !isOnlyScrews) return held;
    for (let speakerClass = 0; speakerClass < held.length; speakerClass++)
      if (mounts.areAlike(before, speakerClass)) held[speakerClass] = 1;
    return held;
  }

  /** The answers of all classes are now those for the opening that was asked about last. */
  keep({ mounts, spacers }: Facts): void {
    this.mounts = mounts;
    this.spacers = spacers;
  }
}

function restOf(opening: FitOpening): string {
  return JSON.stringify({ ...opening, bolts: null });
}

/** Whether the same spacers may be tried, with the same verdict of the screws in each. */
function areAlike(spacers: readonly SpacerOption[], others: readonly SpacerOption[]): boolean {
  return areSameSpacers(spacers, others) && spacers.every((each, at) => ringVerdict(each) === ringVerdict(others[at]));
}

function ringVerdict(option: SpacerOption | undefined): number {
  return option ? verdictOf(option.ringValue, option.ringExpanded) : Number.NaN;
}
