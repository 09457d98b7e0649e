/** What a coil's readings come to, for a person to read, with what to do next. */
import type { CoilJudgement } from './judgeCoil';
import { HEALTHY_RATIOS } from './judgeCoil';

const SLIP = ' The meter counts in kilo- or megohms here: its figure is no ohm.';

export function coilWords(judged: CoilJudgement): string {
  switch (judged.kind) {
    case 'unread':
      return 'Not read: it is assumed, as good as dead.';
    case 'meterInDoubt':
      return `The meter is in doubt: a speaker known to have ${print(judged.knownOhm)} Ω reads ${print(judged.readOhm)} Ω. Nothing is said of this one: look at range, leads and battery, and read both again.`;
    case 'open':
      return `Open: the coil lets nothing through.${judged.slip ? SLIP : ''}`;
    case 'behindCapacitor':
      return 'Reads open, as every tweeter behind its capacitor does: nothing is said of the coil. Hear it alone.';
    case 'openOrCapacitor':
      return `Reads open.${judged.slip ? SLIP : ''} A tweeter behind its capacitor reads so and is healthy: look for one.`;
    case 'shorted':
      return `Shorted: ${print(judged.ohm)} Ω is as good as nothing.`;
    case 'unsteady':
      return 'Unsteady: hold the probes to bare metal and read again; if it stays so, a joint or the coil is breaking.';
    case 'plausible':
      return plausibleWords(judged);
    case 'proposes':
      return `${print(judged.ohm)} Ω is healthy for a speaker of ${listed(judged.nominalOhms)} Ω. Its own mark decides which.`;
    case 'doubtful':
      return doubtfulWords(judged);
  }
}

function plausibleWords({ ohm, nominalOhm, otherSchoolFails }: Extract<CoilJudgement, { kind: 'plausible' }>): string {
  const share = `${Math.round((ohm / nominalOhm) * 100)} %`;
  const other = otherSchoolFails
    ? ` A shop that asks for ${nominalOhm} Ω give or take 0.2 would call it dead; most healthy ones read lower.`
    : '';
  return `Plausible: ${print(ohm)} Ω is ${share} of ${nominalOhm} Ω, and ${limits()} is healthy.${other}`;
}

function doubtfulWords({ ohm, nominalOhm, nominalOhms }: Extract<CoilJudgement, { kind: 'doubtful' }>): string {
  const other = nominalOhms.length > 0 ? ` It would be healthy for ${listed(nominalOhms)} Ω: look at its mark.` : '';
  if (nominalOhm === null)
    return `Doubtful: ${print(ohm)} Ω is healthy for no usual speaker. Read it again, unplugged.`;
  const share = `${Math.round((ohm / nominalOhm) * 100)} %`;
  return `Doubtful: ${print(ohm)} Ω is ${share} of ${nominalOhm} Ω, and ${limits()} is healthy. Is it unplugged?${other}`;
}

function limits(): string {
  return `${HEALTHY_RATIOS.least * 100} to ${HEALTHY_RATIOS.most * 100} %`;
}

function print(ohm: number): string {
  return ohm.toFixed(1);
}

function listed(nominals: readonly number[]): string {
  return nominals.join(' or ');
}
