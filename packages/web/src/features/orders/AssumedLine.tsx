/** Of a line of the order list: in whose place a speaker is bought that nobody has tested. */
export function AssumedLine({ assumed }: { readonly assumed: readonly string[] }) {
  if (assumed.length === 0) return null;
  return (
    <span className="block text-[13px] leading-4">Assumed, the old speaker was not tested: {assumed.join('; ')}</span>
  );
}
