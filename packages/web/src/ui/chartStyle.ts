/** What all charts have in common: the screen's own colours and letters, a hairline grid, a unit on each axis. */

/** A colour of the light that is on, such as "ink". */
export function chartColour(name: string): string {
  return getComputedStyle(document.documentElement).getPropertyValue(`--lq-${name}`).trim();
}

/** @param title what it is, with its unit */
export function chartAxis(title: string) {
  const font = { family: getComputedStyle(document.body).fontFamily, size: 13 };
  return {
    title: { display: true, text: title, color: chartColour('ink'), font },
    ticks: { color: chartColour('muted'), font },
    grid: { color: chartColour('hairline') },
  };
}
