/** What the channel of an opening says of every speaker of a catalogue: with the leads that would go between its plug and the speaker. */
import type { PartRecord } from '@low-quarry/core/catalogue';
import { type FitCatalogue, type FitOpening, type FitSpeaker, harnessFor } from '@low-quarry/core/fit';
import type { ChannelCheck } from '@low-quarry/core/sound';
import {
  type CandidateChannel,
  type ChannelJob,
  type ChannelMarks,
  candidateChannel,
  channelMarks,
  type PlayingOpening,
  playsOf,
} from '@low-quarry/core/stations';

export type ChannelQuestion = {
  readonly job: ChannelJob;
  readonly openings: readonly PlayingOpening[];
  readonly openingId: string;
  readonly confidence: number;
  /** Of the opening. */
  readonly wiring: FitOpening['wiring'];
};

export type ChannelTold =
  | Exclude<CandidateChannel, { readonly kind: 'known' }>
  | { readonly kind: 'known'; readonly name: string; readonly marks: ChannelMarks };

/** So long at once, ms: then whoever waits for the same worker has their turn. */
const SLICE_MS = 30;

export class ChannelOfCatalogue {
  private readonly channel: CandidateChannel;
  private readonly leads = new Map<string, readonly (PartRecord | undefined)[]>();

  constructor(
    private readonly question: ChannelQuestion,
    private readonly shapes: FitCatalogue,
    private readonly parts: ReadonlyMap<string, PartRecord>,
  ) {
    const { job, openings, openingId, confidence } = question;
    this.channel = candidateChannel(job, openings, openingId, confidence);
  }

  /** @returns with the speakers in the catalogue's order */
  async tell(): Promise<ChannelTold> {
    const { channel } = this;
    if (channel.kind !== 'known') return channel;
    const checks: (readonly ChannelCheck[])[] = [];
    let since = performance.now();
    for (const shape of this.shapes.speakers) {
      checks.push(this.checksOf(shape));
      if (performance.now() - since < SLICE_MS) continue;
      await new Promise((resolve) => setTimeout(resolve));
      since = performance.now();
    }
    return { kind: 'known', name: channel.name, marks: channelMarks(checks) };
  }

  /** Of a speaker of the catalogue or of none; none where there is no channel to ask. */
  checksOf(shape: FitSpeaker): readonly ChannelCheck[] {
    if (this.channel.kind !== 'known') return [];
    const speaker = this.parts.get(shape.id);
    if (speaker?.kind !== 'speaker')
      throw new Error(`ChannelOfCatalogue: expected ${shape.id} to be a speaker, got ${speaker?.kind}`);
    return this.channel.checksOf(playsOf(speaker, this.leadsTo(shape)));
  }

  private leadsTo(shape: FitSpeaker): readonly (PartRecord | undefined)[] {
    const key = JSON.stringify(shape.terminals);
    const found = this.leads.get(key);
    if (found) return found;
    const chain = harnessFor(this.question, shape, this.shapes.adapters) ?? [];
    const leads = chain.map(({ id }) => this.parts.get(id));
    this.leads.set(key, leads);
    return leads;
  }
}
