/**
 * What the engine has worked out about an opening besides margins: the chains of each bolt class, the spacers that may go
 * under them, and what each kind of terminals needs to meet the vehicle's plug.
 */
import { findHarnessChain } from '../../wiring/findHarnessChain';
import { chimeCheck } from '../checks/chimeCheck';
import { connectorCheck } from '../checks/connectorCheck';
import type { FitHarnessAdapter, FitOpening, FitRules, FitSpeaker } from '../shapes';
import type { CatalogueIndex } from './CatalogueIndex';
import { GRAVITY_OF } from './CheckFigures';
import { type ClassMount, type MountIndex, mountsKey } from './MountIndex';
import { CLEARS, HITS } from './Scratch';
import { ringsMovedMm, type SpacerOption, spacerOptions } from './SpacerOption';

export type TerminalFacts = {
  readonly connector: number;
  readonly chain: readonly FitHarnessAdapter[] | null;
  readonly costMinor: number;
};

export class OpeningFacts {
  opening: FitOpening | null = null;
  mounts: readonly (readonly ClassMount[])[] = [];
  spacers: readonly SpacerOption[] = [];
  /** How many stacks the speakers of each bolt class have. */
  stackCounts = new Int32Array(0);
  mostRaisedVariance = 0;
  /** How far the chains of each class set the axis off the hole's centre at the most, mm. */
  offsetMm = new Float64Array(0);
  terminals: readonly TerminalFacts[] = [];
  chime = CLEARS;
  /** Classes of bolts whose chains sit as they did before the last change. */
  isKept: readonly boolean[] = [];
  /** How far the bolts' margins of each class have moved in the last change, mm; Infinity where other chains came. */
  readonly boltsMovedMm: Float64Array;
  private mountsKey = '';
  private wiringKey = '';

  constructor(
    private readonly index: CatalogueIndex,
    private readonly rules: FitRules,
    private readonly mountIndex: MountIndex,
  ) {
    this.boltsMovedMm = new Float64Array(index.speakerClasses.length);
  }

  /** @returns whether mounts or spacers may have changed; `boltsMovedMm` says by how much */
  takeOver(opening: FitOpening): boolean {
    this.opening = opening;
    this.chime = GRAVITY_OF[chimeCheck(opening.secondPlug).verdict];
    this.readTerminals(opening);
    const key = mountsKey(opening);
    if (key === this.mountsKey) {
      this.boltsMovedMm.fill(0);
      return false;
    }
    this.mountsKey = key;
    const mounts = this.mountIndex.mountsFor(opening);
    const spacers = spacerOptions(opening, this.index.catalogue.spacers, this.rules);
    const ringsMm = ringsMovedMm(this.spacers, spacers);
    this.isKept = mounts.map((list, at) => sitAlike(this.mounts[at] ?? [], list));
    mounts.forEach((list, at) => {
      const kept = this.isKept[at]
        ? boltsMovedMm(this.mounts[at] as readonly ClassMount[], list)
        : Number.POSITIVE_INFINITY;
      this.boltsMovedMm[at] = Math.max(ringsMm, kept);
    });
    this.mounts = mounts;
    this.spacers = spacers;
    this.countStacks();
    return true;
  }

  terminalsOf(speaker: number): TerminalFacts {
    return this.terminals[this.index.terminalsClass[speaker] as number] as TerminalFacts;
  }

  mountsOf(speaker: number): readonly ClassMount[] {
    return this.mounts[this.index.speakerClass[speaker] as number] as readonly ClassMount[];
  }

  private countStacks(): void {
    this.stackCounts = Int32Array.from(this.mounts, (mounts) => {
      let count = 0;
      for (const mount of mounts) count += 1 + (mount.bolts.gravity === HITS ? 0 : this.suiting(mount));
      return count;
    });
    this.offsetMm = Float64Array.from(this.mounts, (mounts) =>
      mounts.reduce((most, { mount: { pose } }) => Math.max(most, Math.hypot(pose.xMm, pose.yMm)), 0),
    );
    let mostOfMounts = 0;
    for (const list of this.mounts) {
      for (const { raisedVariance } of list) mostOfMounts = Math.max(mostOfMounts, raisedVariance);
    }
    const mostOfSpacers = this.spacers.reduce((most, { variance }) => Math.max(most, variance), 0);
    this.mostRaisedVariance = mostOfMounts + mostOfSpacers;
  }

  /** How many spacers, the lowest first, may go under a mount. */
  private suiting({ raisedMm }: ClassMount): number {
    let count = this.spacers.length;
    while (count > 0 && raisedMm + (this.spacers[count - 1] as SpacerOption).heightMm > this.rules.mostRaisedMm)
      count--;
    return count;
  }

  private readTerminals(opening: FitOpening): void {
    const key = JSON.stringify(opening.wiring);
    if (key === this.wiringKey) return;
    this.wiringKey = key;
    const { terminalsClasses, speakers, catalogue } = this.index;
    this.terminals = terminalsClasses.map(({ members }) =>
      terminalFacts(opening, speakers[members[0] as number] as FitSpeaker, catalogue.adapters),
    );
  }
}

function terminalFacts(
  opening: FitOpening,
  speaker: FitSpeaker,
  adapters: readonly FitHarnessAdapter[],
): TerminalFacts {
  const { wiring } = opening;
  const chain = wiring.kind === 'connector' ? findHarnessChain(wiring.connectorId, speaker.terminals, adapters) : null;
  return {
    connector: GRAVITY_OF[connectorCheck(opening, speaker, chain).verdict],
    chain,
    costMinor: chain?.reduce((sum, { pieceCostMinor }) => sum + pieceCostMinor, 0) ?? 0,
  };
}

/** Whether two lists of mounts are the same chains in the same pose, as far as a body can tell. */
function sitAlike(a: readonly ClassMount[], b: readonly ClassMount[]): boolean {
  return (
    a.length === b.length &&
    a.every((each, at) => {
      const other = b[at] as ClassMount;
      const [here, there] = [each.mount.pose, other.mount.pose];
      return (
        each.ids === other.ids &&
        here.xMm === there.xMm &&
        here.yMm === there.yMm &&
        here.angleRad === there.angleRad &&
        here.raisedMm === there.raisedMm
      );
    })
  );
}

/** How far the bolts' margins of mounts that sit alike lie apart, mm; Infinity where one says more than the other. */
function boltsMovedMm(before: readonly ClassMount[], now: readonly ClassMount[]): number {
  let most = 0;
  for (const [at, { bolts, wireWay }] of now.entries()) {
    const other = before[at] as ClassMount;
    if (wireWay.gravity !== other.wireWay.gravity) return Number.POSITIVE_INFINITY;
    if (bolts.gravity !== other.bolts.gravity || bolts.hasMargin !== other.bolts.hasMargin)
      return Number.POSITIVE_INFINITY;
    most = Math.max(
      most,
      Math.abs(bolts.valueMm - other.bolts.valueMm) + Math.abs(bolts.expandedMm - other.bolts.expandedMm),
    );
  }
  return most;
}
