/** What undoes a fixing, joins wires, and tests: common practice, no source. */
import { type Fastener, HEAD_LABELS } from '../model';
import type { JointWay } from '../wiring';
import type { PlanStep } from './PlanStep';

const PRY = 'Forks of plastic';
const PICK = 'A hooked pick';

export function fastenerTools({ kind, head, driver }: Pick<Fastener, 'kind' | 'head' | 'driver'>): readonly string[] {
  switch (kind) {
    case 'screw':
    case 'bolt':
      return [bitOf(head, driver)];
    case 'beltBolt':
      return [bitOf(head, driver), 'A torque wrench with the range of the manual'];
    case 'pushPin':
    case 'crankClip':
      return [PICK];
    case 'treeClip':
    case 'tab':
      return [PRY];
    case 'expandingPlug':
      return [bitOf(head, driver), PRY];
    case 'plasticRivet':
    case 'steelRivet':
      return RIVET_TOOLS;
    case 'glue':
      return [THIN_TOOL];
    case 'hook':
      return [];
  }
}

function bitOf(head: Fastener['head'], driver: string): string {
  const words = [head ? HEAD_LABELS[head] : '', driver].filter(Boolean).join(' ');
  return words === '' ? ANY_BIT : words;
}

export const RIVET_TOOLS = ['A drill, with a bit of the rivet’s size', 'Eye protection', 'A magnetic pick-up'] as const;

export const JOINT_TOOLS: Readonly<Record<JointWay, readonly string[]>> = {
  butt: ['A crimp tool', 'A stripper for the wire'],
  sealedButt: ['A crimp tool', 'A stripper for the wire', 'Hot air'],
  solder: ['A soldering iron', 'A stripper for the wire', 'Hot air'],
  blades: ['A crimp tool', 'A stripper for the wire'],
};

/** Of which a shop has one: two people do not use it at once (common practice, no source). */
export const SHARED_TOOLS: ReadonlySet<string> = new Set([
  RIVET_TOOLS[0],
  'A saw or a router for sheet',
  'A torque wrench with the range of the manual',
  'A soldering iron',
  'Hot air',
]);

/** What of it a shop has one of, each once. */
export function sharedTools(steps: readonly Pick<PlanStep, 'tools'>[]): readonly string[] {
  return planTools(steps).filter((tool) => SHARED_TOOLS.has(tool));
}

export const RING_TOOLS = ['A saw or a router for sheet', 'Eye protection'] as const;
export const TAB_TOOLS = ['Side cutter and pliers', 'Eye protection'] as const;
export const PRY_TOOLS = [PRY] as const;
export const ANY_BIT = 'Bits of all heads: nobody noted which';
export const THIN_TOOL = 'A thin tool of plastic';
export const CELL = 'A 1.5 V cell';
export const CLAMP_WRENCH = 'A wrench for the battery’s clamp';

/** Each once, in the order in which it is first taken up. */
export function planTools(steps: readonly Pick<PlanStep, 'tools'>[]): readonly string[] {
  return [...new Set(steps.flatMap(({ tools }) => tools))];
}
