/** What sticks out of a speaker's round body in words, such as "plug at 270°: 45 to 62 off the axis, 24 wide, 18 to 26 deep, live". */
import { fail, ok, type Result } from '../../result';
import { type BodyBoxes, bodyBoxesSchema } from '../bodyBoxes';
import { NUMBER, printed, SIGNED, toNumber } from './figures';

const WOULD =
  'Where it is and how large, such as “plug at 270°: 45 to 62 off the axis, 24 wide, 18 to 26 deep, live”, would do; “dead” where no current is on it.';
const BOX = new RegExp(
  `^([^:;]+?) at ${SIGNED}°?: ?${NUMBER} to ${NUMBER} off the axis, ?${NUMBER} wide, ?${NUMBER} to ${NUMBER} deep(?:, ?(live|dead))?$`,
  'i',
);

/** @returns empty where there are none */
export function bodyBoxWords(boxes: BodyBoxes): string {
  return boxes
    .map(({ label, live, angleDeg, innerMm, outerMm, widthMm, fromMm, toMm }) => {
      const [inner, outer, wide, from, to] = [innerMm, outerMm, widthMm, fromMm, toMm].map(printed);
      const state = live ? 'live' : 'dead';
      return `${label} at ${printed(angleDeg)}°: ${inner} to ${outer} off the axis, ${wide} wide, ${from} to ${to} deep, ${state}`;
    })
    .join('; ');
}

/** What is said of no current is taken for live. @returns what was read and what would do, where the words are none */
export function readBodyBoxWords(text: string): Result<BodyBoxes, string> {
  const words = text.replace(/\s+/g, ' ').trim();
  const boxes: unknown[] = [];
  for (const part of words === '' ? [] : words.split(';').map((each) => each.trim())) {
    const [whole, label, angle, inner, outer, wide, from, to, state] = BOX.exec(part) ?? [];
    if (whole === undefined) return fail(`“${part.slice(0, 40)}” was read. ${WOULD}`);
    boxes.push({
      ...{ label: label?.trim(), live: state?.toLowerCase() !== 'dead', angleDeg: toNumber(angle) },
      ...{ innerMm: toNumber(inner), outerMm: toNumber(outer), widthMm: toNumber(wide) },
      ...{ fromMm: toNumber(from), toMm: toNumber(to) },
    });
  }
  const read = bodyBoxesSchema.safeParse(boxes);
  return read.success
    ? ok(read.data)
    : fail(`“${words.slice(0, 40)}” was read: ${read.error.issues[0]?.message}. ${WOULD}`);
}
