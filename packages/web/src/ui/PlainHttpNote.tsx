/** Names what this device cannot do because it came in over plain http; nothing where it came in over https. */
export function PlainHttpNote() {
  if (window.isSecureContext) return null;
  return (
    <p className="max-w-2xl border-l-4 border-measure bg-paper px-3 py-2">
      <strong>This page came over plain http.</strong> What is typed and saved is kept on this device all the same,
      until the shop has it. But here the application does not open again while the network is away, the camera shows no
      picture within the page, the screen goes dark while you measure, and a browser that runs out of room is not asked
      to spare what waits. A certificate of the shop’s own mends all of that: the owner makes one with{' '}
      <code>npm run certificate</code>.
    </p>
  );
}
