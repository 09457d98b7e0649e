/**
 * The application's own letters for what is printed. The font comes in files by script; each letter is taken from the file that has it. As
 * WOFF: of the variable font in WOFF2 the library that writes PDF leaves the outlines out.
 */
import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';

const PACKAGE = '@fontsource/archivo';
const SCRIPTS = ['latin', 'latin-ext', 'vietnamese'] as const;
export const WEIGHTS = [400, 700] as const;
export type Weight = (typeof WEIGHTS)[number];
/** For a letter that none of them has. */
const NO_LETTER = '?';

const require = createRequire(import.meta.url);

export type PrintFont = { readonly name: string; readonly file: string };

export function printFonts(): readonly PrintFont[] {
  return SCRIPTS.flatMap((script) =>
    WEIGHTS.map((weight) => ({
      name: nameOf(script, weight),
      file: require.resolve(`${PACKAGE}/files/archivo-${script}-${weight}-normal.woff`),
    })),
  );
}

export type Run = { readonly font: string; readonly text: string };

/** A text as runs of letters that one font has. */
export function runsOf(text: string, weight: Weight): readonly Run[] {
  const runs: { font: string; text: string }[] = [];
  for (const letter of text.normalize('NFC')) {
    const script = scriptOf(letter.codePointAt(0) as number);
    const font = nameOf(script ?? 'latin', weight);
    const last = runs.at(-1);
    const drawn = script === null ? NO_LETTER : letter;
    if (last?.font === font) last.text += drawn;
    else runs.push({ font, text: drawn });
  }
  return runs;
}

function nameOf(script: (typeof SCRIPTS)[number], weight: Weight): string {
  return `${script} ${weight}`;
}

type Range = readonly [from: number, to: number];
let known: Readonly<Record<string, readonly Range[]>> | null = null;

function scriptOf(point: number): (typeof SCRIPTS)[number] | null {
  known ??= readRanges();
  const ranges = known;
  return SCRIPTS.find((script) => ranges[script]?.some(([from, to]) => point >= from && point <= to)) ?? null;
}

/** As the package says it: "U+0000-00FF,U+0131". */
function readRanges(): Readonly<Record<string, readonly Range[]>> {
  const json: Record<string, string> = JSON.parse(readFileSync(require.resolve(`${PACKAGE}/unicode.json`), 'utf8'));
  return Object.fromEntries(
    Object.entries(json).map(([script, text]) => [
      script,
      text.split(',').map((each): Range => {
        const [from = '', to = from] = each.replace('U+', '').split('-');
        return [Number.parseInt(from, 16), Number.parseInt(to, 16)];
      }),
    ]),
  );
}
