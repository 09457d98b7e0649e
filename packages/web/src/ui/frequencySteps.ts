/** Steps of a frequency that is moved by hand, over the ten octaves that are heard: a twelfth of an octave each, 6 %. */
const [LEAST_HZ, MOST_HZ] = [20, 20_000];
const AN_OCTAVE = 12;

/** The step that is nearest. @param hz above 0 */
export function stepOfHz(hz: number): number {
  return Math.round(AN_OCTAVE * Math.log2(hz / LEAST_HZ));
}

export const MOST_STEP = stepOfHz(MOST_HZ);

/** As it is said: whole hertz, and three figures above 1 kHz. */
export function hzOfStep(step: number): number {
  const hz = LEAST_HZ * 2 ** (step / AN_OCTAVE);
  return Math.min(MOST_HZ, Number(Math.round(hz).toPrecision(3)));
}
