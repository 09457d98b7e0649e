/**
 * Every check once: who asks and who tells. A check that is not in this table is not compiled, and what ranks a catalogue
 * asks the table, so that it cannot forget one.
 */
import type { CheckId } from '../Check';
import type { CheckKind } from './CheckKind';
import { bolts } from './checks/bolts';
import { cover } from './checks/cover';
import { depth } from './checks/depth';
import { airbag, chime, connector, wireWay } from './checks/facts';
import { figures } from './checks/figures';
import { front } from './checks/front';
import { hole } from './checks/hole';
import { liesFlat } from './checks/liesFlat';
import { obstacles } from './checks/obstacles';
import { place } from './checks/place';
import { screws } from './checks/screws';
import { staysFree } from './checks/staysFree';
import { terminals } from './checks/terminals';

export const CHECK_TABLE: Readonly<Record<CheckId, CheckKind>> = {
  place,
  staysFree,
  figures,
  hole,
  bolts,
  screws,
  depth,
  obstacles,
  front,
  cover,
  liesFlat,
  terminals,
  wireWay,
  connector,
  chime,
  airbag,
};
