/** A text in which a number and its unit stay on one line: "12 kHz" is no 12 at the end of one and a kHz at the beginning of the next. */
export type UnbrokenPart = { readonly text: string; readonly isWhole: boolean };

const FIGURE =
  /[−-]?\d[\d,.]*(?: ± \d[\d,.]*)? (?:mm²?|cm|m|in|k?Hz|[mk]?Ω|k?W|m?V|m?A|dB|µF|mH|kg|g|l|s|%)(?![\p{L}\d])/gu;

/** @returns the text from its beginning to its end, in pieces */
export function unbrokenParts(text: string): readonly UnbrokenPart[] {
  const parts: UnbrokenPart[] = [];
  let at = 0;
  for (const found of text.matchAll(FIGURE)) {
    if (found.index > at) parts.push({ text: text.slice(at, found.index), isWhole: false });
    parts.push({ text: found[0], isWhole: true });
    at = found.index + found[0].length;
  }
  if (at < text.length) parts.push({ text: text.slice(at), isWhole: false });
  return parts;
}
