/**
 * A bracket's further states in words, such as "Inner rim off | throat 142 | to the speaker 4 holes 4 on 156 mm, first at 45°": a name, and
 * what is otherwise than as it comes.
 */
import { fail, ok, type Result } from '../../result';
import { type SnapOffs, snapOffsSchema } from '../bracket/snapOffStates';
import { slug } from '../partIds';
import { BY, NUMBER, tidied, toNumber } from './figures';
import { patternWords, readPatternWords } from './patternWords';

const WOULD =
  'A name and what is otherwise, such as “Inner rim off | throat 142 | to the speaker 4 holes 4 on 156 mm”, would do; the next state after a semicolon.';
const NAMED = /^([^[\]|]+?)(?: ?\[([^[\]]*)\])?$/;
const THROAT = new RegExp(`^throat ${NUMBER}(?:${BY}${NUMBER})?$`);
/** Of an id. */
const MOST_LETTERS = 20;

/** @returns empty where there are none */
export function snapOffWords(states: SnapOffs): string {
  return states
    .map(({ id, name, throat, vehicleBolts, speakerBolts }) =>
      [
        id === idOf(name) ? name : `${name} [${id}]`,
        ...(throat
          ? [`throat ${throat.kind === 'circle' ? throat.diameterMm : `${throat.lengthMm} × ${throat.widthMm}`}`]
          : []),
        ...(vehicleBolts ? [`to the vehicle ${patternWords(vehicleBolts)}`] : []),
        ...(speakerBolts ? [`to the speaker ${patternWords(speakerBolts)}`] : []),
      ].join(' | '),
    )
    .join('; ');
}

/** @returns what was read and what would do, where the words are none */
export function readSnapOffWords(text: string): Result<SnapOffs, string> {
  const words = text.replace(/\s+/g, ' ').trim();
  const states: unknown[] = [];
  for (const part of words === '' ? [] : words.split(';').map((each) => each.trim())) {
    const [first = '', ...rest] = part.split('|').map((each) => each.trim());
    const [, name, id] = NAMED.exec(first) ?? [];
    if (name === undefined) return fail(`“${part.slice(0, 40)}” was read. ${WOULD}`);
    const state: Record<string, unknown> = { id: id ?? idOf(name), name };
    for (const other of rest) {
      const read = readDifference(other);
      if (!read.ok) return read;
      Object.assign(state, read.value);
    }
    states.push(state);
  }
  const read = snapOffsSchema.safeParse(states);
  return read.success
    ? ok(read.data)
    : fail(`“${words.slice(0, 40)}” was read: ${read.error.issues[0]?.message}. ${WOULD}`);
}

function readDifference(text: string): Result<Readonly<Record<string, unknown>>, string> {
  const [, length, width] = THROAT.exec(tidied(text)) ?? [];
  if (length !== undefined)
    return ok({
      throat:
        width === undefined
          ? { kind: 'circle', diameterMm: toNumber(length) }
          : { kind: 'oval', lengthMm: toNumber(length), widthMm: toNumber(width) },
    });
  const [, side, pattern] = /^to the (vehicle|speaker) (.*)$/i.exec(text) ?? [];
  if (side === undefined || pattern === undefined) return fail(`“${text.slice(0, 40)}” was read. ${WOULD}`);
  const read = readPatternWords(pattern);
  return read.ok ? ok({ [side.toLowerCase() === 'vehicle' ? 'vehicleBolts' : 'speakerBolts']: read.value }) : read;
}

function idOf(name: string): string {
  return slug(name).slice(0, MOST_LETTERS);
}
