/** In the place of the rail, as high as it is: what comes below does not jump. */
export function RailComing() {
  return <div className="only-screen h-14" />;
}
