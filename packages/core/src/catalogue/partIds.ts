/** Ids of new parts: what they are called, in letters that an address can have. */

const MOST_LETTERS = 72;

/**
 * @param prefix such as "spk"
 * @returns of its maker and name; with a number behind it where another part has that id already
 */
export function newPartId(
  prefix: string,
  { maker, name }: { readonly maker: string; readonly name: string },
  isTaken: (id: string) => boolean,
): string {
  const plain = [prefix, maker, name].map(slug).filter(Boolean).join('-').slice(0, MOST_LETTERS);
  let id = plain;
  for (let next = 2; isTaken(id); next++) id = `${plain}-${next}`;
  return id;
}

/** In letters that an address can have. */
export function slug(text: string): string {
  return text
    .normalize('NFD')
    .replace(/½/g, '.5')
    .toLowerCase()
    .replace(/\p{M}/gu, '')
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '');
}
