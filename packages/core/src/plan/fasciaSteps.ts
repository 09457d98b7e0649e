/**
 * The radio's fascia off and on again, where what feeds the speakers begins at the radio: a new radio goes in, or leads are taken off it. What hangs
 * on it is tried while it can still be reached (common practice, no source).
 */
import { newPanel, type Panel } from '../model';
import { MINUTES } from './minutes';
import { type PlanStep, stepOf } from './PlanStep';
import { closedId, offId, panelPlan } from './panelSteps';

/** What is done at the radio; null where nothing is. */
export type AtRadio = 'newRadio' | 'leads' | null;

export type FasciaPlan = {
  readonly off: readonly PlanStep[];
  /** Before supply returns. */
  readonly work: readonly PlanStep[];
  /** With supply, before the fascia closes. */
  readonly tried: readonly PlanStep[];
  readonly on: readonly PlanStep[];
  /** That each is off, or closed. */
  readonly offIds: readonly string[];
  readonly closedIds: readonly string[];
};

const NONE: FasciaPlan = { off: [], work: [], tried: [], on: [], offIds: [], closedIds: [] };

/**
 * @param after steps before anything of it is undone
 * @param supply the step at which supply returns; null where it was never off
 */
export function fasciaPlan(
  atRadio: AtRadio,
  panels: readonly Panel[],
  { after, supply }: { readonly after: readonly string[]; readonly supply: string | null },
): FasciaPlan {
  if (atRadio === null) return NONE;
  const known = panels.filter(({ kind }) => kind === 'radioFascia');
  const fascias = known.length > 0 ? known : [newPanel({ kind: 'radioFascia', spot: 'middle', name: '' })];
  const offIds = fascias.map(offId);
  const isNew = atRadio === 'newRadio';
  const work = stepOf({
    ...{ id: 'radio', where: 'Radio', from: 'The maker’s amplifier: bypassed', after: offIds },
    what: isNew
      ? 'New radio: its leads, aerial and steering wheel’s buttons plugged in; not pushed home yet.'
      : 'Radio out: the leads to what is added are taken off its plug, by their notes.',
    minutes: isNew ? MINUTES.newRadio : MINUTES.radioLeads,
    cautions: [
      'By its removal keys or screws, not by the bezel. The airbag’s lamp may be in the same panel: its plug stays.',
    ],
  });
  const tried = stepOf({
    ...{ id: 'radio tried', where: 'Radio', from: 'Before the fascia closes', minutes: MINUTES.radioTried },
    what: 'Lamps of the dash, camera, steering wheel’s buttons, aerial, telephone, parking sounds: each tried while the plugs can be reached.',
    after: [work.id, ...(supply === null ? [] : [supply])],
  });
  const plans = fascias.map((panel) =>
    panelPlan({ panel, isUnknown: !known.includes(panel), cautions: [], after, closesAfter: [tried.id] }),
  );
  return {
    off: plans.flatMap((plan) => plan.off),
    work: [work],
    tried: [tried],
    on: [...plans].reverse().flatMap((plan) => plan.on),
    ...{ offIds, closedIds: fascias.map(closedId) },
  };
}
