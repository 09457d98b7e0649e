/** What an amplifier gives in words, such as "4 × 60 W RMS at 4 Ω; 2 × 180 W RMS at 4 Ω, bridged". */
import { fail, ok, type Result } from '../../result';
import { type ChannelPowers, channelPowersSchema } from '../channelPower';
import { printed, tidied, toNumber } from './figures';

const POWER =
  /^(\d{1,2}) ?[x×*] ?(\d+(?:[.,]\d+)?) ?w(?: (rms|peak|range|unstated))?(?: (?:at|@) (\d+(?:[.,]\d+)?) ?(?:Ω|ω|ohms?))?(?:,? (bridged))?$/;
const WOULD =
  'Channels, watt, what kind of watt and the load, such as “4 × 60 W RMS at 4 Ω; 2 × 180 W RMS at 4 Ω, bridged”, would do.';

export function powerWords(powers: ChannelPowers): string {
  return powers
    .map(({ channels, watt, kind, atOhm, isBridged }) => {
      const at = atOhm === null ? '' : ` at ${printed(atOhm)} Ω`;
      return `${channels} × ${printed(watt)} W ${kind}${at}${isBridged ? ', bridged' : ''}`;
    })
    .join('; ');
}

/** A rating of which nobody says the kind is one of an unstated kind. @returns what was read and what would do, where the words are none */
export function readPowerWords(text: string): Result<ChannelPowers, string> {
  const words = tidied(text);
  const powers: unknown[] = [];
  for (const part of words === '' ? [] : words.split(';').map((each) => each.trim())) {
    const [whole, channels, watt, kind = 'unstated', ohm, bridged] = POWER.exec(part) ?? [];
    if (whole === undefined) return fail(`“${part.slice(0, 40)}” was read. ${WOULD}`);
    powers.push({
      ...{ channels: Number(channels), watt: toNumber(watt), kind: kind === 'rms' ? 'RMS' : kind },
      ...{ atOhm: ohm === undefined ? null : toNumber(ohm), isBridged: bridged !== undefined },
    });
  }
  const read = channelPowersSchema.safeParse(powers);
  return read.success
    ? ok(read.data)
    : fail(`“${words.slice(0, 40)}” was read: ${read.error.issues[0]?.message}. ${WOULD}`);
}
