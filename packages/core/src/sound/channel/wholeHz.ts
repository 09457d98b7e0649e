/** A frequency that is known by two figures at most, such as "3.5 kHz". */
export function wholeHz(hz: number): string {
  const rounded = Number(hz.toPrecision(2));
  return rounded >= 1000 ? `${rounded / 1000} kHz` : `${rounded} Hz`;
}
