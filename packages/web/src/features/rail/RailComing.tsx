/** On a phone in two rows: a word of each station stays legible, and a place to press. */
export const RAIL_LIST =
  'mx-auto grid max-w-[1440px] grid-cols-4 gap-1 sm:auto-cols-fr sm:grid-flow-col sm:grid-cols-none';

/** In the place of the rail, as high as it is: what comes below does not jump. */
export function RailComing() {
  return <div className="only-screen h-29 sm:h-14" />;
}
