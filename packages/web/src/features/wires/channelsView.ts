/** What the Wire screen shows of a channel. */
import { BAND_LABELS, channelPowerWords, FED_BY_LABELS, PLAN_SOURCE_LABELS } from '@low-quarry/core/model';
import { type ChannelLoad, levelOf, linePartsWords } from '@low-quarry/core/sound';
import type { ChannelSheet } from '@low-quarry/core/stations';

/** "The radio itself, 20 W RMS into 4 Ω, stands 4 Ω, carries everything". */
export function sourceLines({ record: { fedBy, power, leastOhm, band }, isBypassed }: ChannelSheet): readonly string[] {
  const source = fedBy === null ? ['Nobody looked what feeds it'] : [FED_BY_LABELS[fedBy]];
  return [
    ...(isBypassed
      ? [PLAN_SOURCE_LABELS[fedBy === 'radio' ? 'newRadio' : 'addedAmplifier'], 'past the maker’s amplifier']
      : source),
    power === null ? 'power not known' : channelPowerWords(power),
    leastOhm === null ? 'least load not known' : `stands ${leastOhm} Ω`,
    band === null ? 'band not looked at' : `carries ${BAND_LABELS[band].toLowerCase()}`,
  ];
}

/** What hangs on another channel's crossover now; empty where nothing was taken off. */
export function takenOffWords({ takenOff }: ChannelSheet): string {
  return takenOff.length === 0
    ? ''
    : `Taken off it for a crossover: ${takenOff.join(', ')}. What of its pair leads nowhere now is insulated, each end apart.`;
}

/** "Coaxial, 4 Ω, new; 93.0 ± 0.9 dB at 2.83 V"; "Tweeter, ohms not known, stays; nobody looked for a capacitor". */
export function loadWords(load: ChannelLoad): string {
  return loadLines(load).join('; ');
}

/** The same in a line for what it is, and one each for what stands before it and how loud it is. */
export function loadLines(load: ChannelLoad): readonly string[] {
  const { kind, electrics, isNew, before, line, crossover } = load;
  const level = levelOf(load);
  const what = [
    kind === null ? 'nobody knows what it is' : !isNew && kind === 'full range' ? 'old speaker' : kind,
    electrics.nominalOhm !== null
      ? `${electrics.nominalOhm} Ω`
      : electrics.coilOhm !== null
        ? `coil ${electrics.coilOhm.toFixed(1)} Ω`
        : 'ohms not known',
    isNew ? 'new' : 'stays',
    ...(crossover === null ? [] : ['by a crossover']),
  ].join(', ');
  const more = [
    BEFORE_WORDS[before.kind],
    line === null ? '' : linePartsWords(line),
    level === null ? '' : `${level.db.toFixed(1)} ± ${(2 * level.uncertaintyDb).toFixed(1)} dB at 2.83 V, 1 m`,
  ].filter(Boolean);
  return [what.charAt(0).toUpperCase() + what.slice(1), ...more];
}

const BEFORE_WORDS: Readonly<Record<ChannelLoad['before']['kind'], string>> = {
  nothing: '',
  notLooked: 'nobody looked for a capacitor',
  capacitor: 'behind a capacitor',
  filter: 'behind the filter of its lead',
};
