/**
 * The kinds of parts, one folder each: how one is written down, what lists show of it, which connectors it names and which shapes the
 * fit works on. Whoever adds a kind writes its folder and adds it here; the library, parts packs, shop files, order lists and the
 * device's catalogue read this table
 * through `partKinds.ts`. Order lists have the kinds in this order.
 */
import { bracketEntry } from './bracket/bracket';
import { fastenerEntry } from './fastener/fastener';
import { harnessAdapterEntry } from './harnessAdapter/harnessAdapter';
import { panelClipEntry } from './panelClip/panelClip';
import { sheetEntry } from './sheet/sheet';
import { spacerEntry } from './spacer/spacer';
import { speakerEntry } from './speaker/speaker';
import { terminalEntry } from './terminal/terminal';
import { wireEntry } from './wire/wire';

export const PART_TABLE = {
  speaker: speakerEntry,
  bracket: bracketEntry,
  spacer: spacerEntry,
  harnessAdapter: harnessAdapterEntry,
  fastener: fastenerEntry,
  panelClip: panelClipEntry,
  wire: wireEntry,
  terminal: terminalEntry,
  sheet: sheetEntry,
} as const;
