/** Names what this device cannot do because it came in over plain http; nothing where it came in over https. */
export function PlainHttpNote() {
  if (window.isSecureContext) return null;
  return (
    <p className="max-w-2xl border-l-4 border-measure bg-paper px-3 py-2">
      <strong>This page came over plain http.</strong> What is typed and saved is kept on this device all the same,
      until the shop has it. But browsers refuse such a page some things: to open again while the network is away, to
      keep the screen lit while you measure, a picture of the camera within the page, and to spare what waits when the
      device runs out of room. A certificate of the shop’s own takes the refusal away: the owner makes one with{' '}
      <code>npm run certificate</code>.
    </p>
  );
}
