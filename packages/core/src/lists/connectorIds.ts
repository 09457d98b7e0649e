/** Connectors that a row names, by their ids or by what they are called. */

type Fields = Readonly<Record<string, unknown>>;
/** Fields that name one, or several. */
const NAMING = ['fromConnectorId', 'connectorId', 'connectorIds'] as const;

export type NamedIn = {
  /** As they were, with ids in place of names. */
  readonly fields: Fields;
  /** The first that is nobody's. */
  readonly unknown: { readonly field: string; readonly words: string } | null;
};

/** @param connectors ids by what each is called and by themselves, in small letters */
export function connectorIdsIn(fields: Fields, connectors: ReadonlyMap<string, string>): NamedIn {
  let unknown: NamedIn['unknown'] = null;
  const idOf = (field: string) => (words: string) => {
    const id = connectors.get(words.toLowerCase());
    if (id === undefined) unknown ??= { field, words };
    return id ?? words;
  };
  const changed: Record<string, unknown> = { ...fields };
  for (const field of NAMING) {
    const value = fields[field];
    if (typeof value === 'string') changed[field] = idOf(field)(value);
    if (Array.isArray(value)) changed[field] = value.map((each) => idOf(field)(String(each)));
  }
  return { fields: changed, unknown };
}
