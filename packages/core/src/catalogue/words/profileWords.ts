/**
 * The body behind a flange in words: how wide it is at which depth, such as "122 at the flange, 122 at 25, 92 at 40, 85 at 61", or "tapers
 * from 122 at the flange to 92 at 40"; both measures of what is oval.
 */
import { fail, ok, type Result } from '../../result';
import { BY, NUMBER, printed, tidied, toNumber } from './figures';

export type ProfileSection = { readonly depthMm: number; readonly lengthMm: number; readonly widthMm: number };

const WOULD = 'Widths with their depths, such as “122 at the flange, 92 at 40, 85 at 61”, would do.';
const SECTION = new RegExp(`^${NUMBER}(?:${BY}${NUMBER})? at (?:(the flange)|${NUMBER})$`);

/** @returns empty where there is none */
export function profileWords(sections: readonly ProfileSection[]): string {
  return sections
    .map(({ depthMm, lengthMm, widthMm }) => {
      const width = lengthMm === widthMm ? printed(lengthMm) : `${printed(lengthMm)} × ${printed(widthMm)}`;
      return `${width} at ${depthMm === 0 ? 'the flange' : printed(depthMm)}`;
    })
    .join(', ');
}

/** @returns what was read and what would do, where the words are none */
export function readProfileWords(text: string): Result<ProfileSection[], string> {
  const words = tidied(text);
  if (words === '') return ok([]);
  const sections: ProfileSection[] = [];
  for (const part of words.replace(/^(it )?tapers from /, '').split(/, |;? to | then /)) {
    const found = SECTION.exec(part.trim());
    if (!found) return fail(`“${part.trim().slice(0, 40)}” was read. ${WOULD}`);
    const [, length, width, flange, depth] = found;
    const depthMm = flange ? 0 : toNumber(depth);
    const before = sections.at(-1);
    if (before && before.depthMm >= depthMm)
      return fail(
        `${printed(depthMm)} mm stands behind ${printed(before.depthMm)} mm: from the flange inwards would do.`,
      );
    sections.push({ depthMm, lengthMm: toNumber(length), widthMm: toNumber(width ?? length) });
  }
  if (sections.length === 1) return fail(`One section was read. Two or more, or none, would do.`);
  return ok(sections);
}
