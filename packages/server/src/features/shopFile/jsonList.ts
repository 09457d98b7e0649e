/** A list of a JSON file, in text that is made as it is read. */
export async function* jsonList(key: string, items: AsyncGenerator<unknown>): AsyncGenerator<string> {
  yield `,\n"${key}":[`;
  let separator = '\n';
  for await (const item of items) {
    yield separator + JSON.stringify(item);
    separator = ',\n';
  }
  yield ']';
}
