/**
 * The kinds of parts, one folder each: how one is written down, what lists show of it, which connectors it names and which shapes the
 * fit works on. Whoever adds a kind writes its folder, names it in `kindNames.ts` and adds it here; the library, parts packs, shop files, order lists and the
 * device's catalogue read this table
 * through `partKinds.ts`. Order lists have the kinds in this order.
 */
import { amplifierEntry } from './amplifier/amplifier';
import { bassBlockerEntry } from './bassBlocker/bassBlocker';
import { bassBoxEntry } from './bassBox/bassBox';
import { bracketEntry } from './bracket/bracket';
import { capacitorEntry } from './capacitor/capacitor';
import { coilEntry } from './coil/coil';
import { consumableEntry } from './consumable/consumable';
import { crossoverEntry } from './crossover/crossover';
import { deadeningSheetEntry } from './deadeningSheet/deadeningSheet';
import { distributorEntry } from './distributor/distributor';
import { fasciaEntry } from './fascia/fascia';
import { fastenerEntry } from './fastener/fastener';
import { foamEntry } from './foam/foam';
import { fuseEntry } from './fuse/fuse';
import { harnessAdapterEntry } from './harnessAdapter/harnessAdapter';
import type { PartKind } from './kindNames';
import { looseConnectorEntry } from './looseConnector/looseConnector';
import { panelClipEntry } from './panelClip/panelClip';
import { podEntry } from './pod/pod';
import { resistorEntry } from './resistor/resistor';
import { setEntry } from './set/set';
import { sheetEntry } from './sheet/sheet';
import { sounderEntry } from './sounder/sounder';
import { sourceUnitEntry } from './sourceUnit/sourceUnit';
import { spacerEntry } from './spacer/spacer';
import { speakerEntry } from './speaker/speaker';
import { terminalEntry } from './terminal/terminal';
import { toolEntry } from './tool/tool';
import { tweeterSeatEntry } from './tweeterSeat/tweeterSeat';
import { wireEntry } from './wire/wire';

export const PART_TABLE = {
  speaker: speakerEntry,
  set: setEntry,
  tweeterSeat: tweeterSeatEntry,
  pod: podEntry,
  bracket: bracketEntry,
  spacer: spacerEntry,
  crossover: crossoverEntry,
  amplifier: amplifierEntry,
  sourceUnit: sourceUnitEntry,
  fascia: fasciaEntry,
  bassBox: bassBoxEntry,
  sounder: sounderEntry,
  harnessAdapter: harnessAdapterEntry,
  looseConnector: looseConnectorEntry,
  bassBlocker: bassBlockerEntry,
  capacitor: capacitorEntry,
  coil: coilEntry,
  resistor: resistorEntry,
  fastener: fastenerEntry,
  panelClip: panelClipEntry,
  wire: wireEntry,
  terminal: terminalEntry,
  fuse: fuseEntry,
  distributor: distributorEntry,
  foam: foamEntry,
  deadeningSheet: deadeningSheetEntry,
  sheet: sheetEntry,
  consumable: consumableEntry,
  tool: toolEntry,
} as const satisfies Readonly<Record<PartKind, unknown>>;
