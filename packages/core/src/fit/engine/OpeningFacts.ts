/**
 * What the engine has worked out about an opening besides margins: the chains of each bolt class, the spacers that may go
 * under them, and what each kind of terminals needs to meet the vehicle's plug.
 */
import { findHarnessChain } from '../../wiring/findHarnessChain';
import { chimeCheck } from '../checks/chimeCheck';
import { connectorCheck } from '../checks/connectorCheck';
import { VERDICT_RANK } from '../Ranking';
import type { FitHarnessAdapter, FitOpening, FitRules, FitSpeaker } from '../shapes';
import type { CatalogueIndex } from './CatalogueIndex';
import type { ClassMount } from './ClassMount';
import type { MountColumns } from './MountColumns';
import { type MountIndex, mountsKey } from './MountIndex';
import { CLEARS, HITS } from './Scratch';
import { areSameSpacers, type SpacerOption, spacerOptions } from './SpacerOption';

export type TerminalFacts = {
  readonly connector: number;
  readonly chain: readonly FitHarnessAdapter[] | null;
  readonly costMinor: number;
};

export class OpeningFacts {
  opening: FitOpening | null = null;
  spacers: readonly SpacerOption[] = [];
  /** How high each of them is, mm. */
  spacerHeightsMm = new Float64Array(0);
  /** How many stacks the speakers of each bolt class have. */
  stackCounts = new Int32Array(0);
  mostRaisedVariance = 0;
  /** How far the chains of each class set the axis off the hole's centre at the most, mm. */
  offsetMm = new Float64Array(0);
  terminals: readonly TerminalFacts[] = [];
  /** Of each kind of terminals what no stack changes: the graver of plug and chime. */
  factsGravity = new Uint8Array(0);
  chime = CLEARS;
  private columns: MountColumns | null = null;
  private mountsKey = '';
  private wiringKey = '';

  constructor(
    private readonly index: CatalogueIndex,
    private readonly rules: FitRules,
    private readonly mountIndex: MountIndex,
  ) {}

  /** @returns whether there are other chains or spacers than before */
  takeOver(opening: FitOpening): boolean {
    this.opening = opening;
    this.chime = VERDICT_RANK[chimeCheck(opening.secondPlug).verdict];
    this.readTerminals(opening);
    this.factsGravity = Uint8Array.from(this.terminals, ({ connector }) => Math.max(connector, this.chime));
    const key = mountsKey(opening);
    if (key === this.mountsKey) return false;
    this.mountsKey = key;
    const before = this.columns;
    const columns = this.mountIndex.mountsFor(opening);
    const spacers = spacerOptions(opening, this.index.catalogue.spacers, this.rules);
    const areOthers = !before?.hasChainsOf(columns) || !areSameSpacers(spacers, this.spacers);
    this.columns = columns;
    this.spacers = spacers;
    this.spacerHeightsMm = Float64Array.from(spacers, ({ heightMm }) => heightMm);
    this.countStacks(columns);
    return areOthers;
  }

  /** The chains of each bolt class. */
  get mounts(): MountColumns {
    if (!this.columns) throw new Error('OpeningFacts.mounts: expected an opening');
    return this.columns;
  }

  terminalsOf(speaker: number): TerminalFacts {
    return this.terminals[this.index.row.terminalsClass(speaker)] as TerminalFacts;
  }

  mountsOf(speaker: number): readonly ClassMount[] {
    return this.mounts.list(this.index.speakerClass[speaker] as number);
  }

  private countStacks(mounts: MountColumns): void {
    const { first, gravity, raisedMm, raisedVariance, offAxisMm } = mounts;
    this.stackCounts = new Int32Array(mounts.classes);
    this.offsetMm = new Float64Array(mounts.classes);
    let mostOfMounts = 0;
    for (let speakerClass = 0; speakerClass < mounts.classes; speakerClass++) {
      const end = first[speakerClass + 1] as number;
      let count = 0;
      let offset = 0;
      for (let at = first[speakerClass] as number; at < end; at++) {
        // What hits with its bolts is tried bare only.
        count += 1 + (gravity[at] === HITS ? 0 : this.suiting(raisedMm[at] as number));
        offset = Math.max(offset, offAxisMm[at] as number);
        mostOfMounts = Math.max(mostOfMounts, raisedVariance[at] as number);
      }
      this.stackCounts[speakerClass] = count;
      this.offsetMm[speakerClass] = offset;
    }
    const mostOfSpacers = this.spacers.reduce((most, { variance }) => Math.max(most, variance), 0);
    this.mostRaisedVariance = mostOfMounts + mostOfSpacers;
  }

  /** How many spacers, the lowest first, may go under a mount. */
  private suiting(raisedMm: number): number {
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
    connector: VERDICT_RANK[connectorCheck(opening, speaker, chain).verdict],
    chain,
    costMinor: chain?.reduce((sum, { pieceCostMinor }) => sum + pieceCostMinor, 0) ?? 0,
  };
}
