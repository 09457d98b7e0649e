/** Whether the shop's server answers, asked for by itself. */
export function isServerThere(): Promise<boolean> {
  return fetch('/api/health').then(
    ({ ok }) => ok,
    () => false,
  );
}
