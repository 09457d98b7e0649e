/** What a conductor of a size is: its area and its resistance. */

/**
 * The area of a wire of an American gauge: its diameter is 0.127 mm × 92^((36 − gauge) / 39).
 *
 * @param gauge AWG; 0 for 1/0
 * @returns mm²
 * @see ASTM B258
 */
export function areaOfGaugeMm2(gauge: number): number {
  const diameterMm = 0.127 * 92 ** ((36 - gauge) / 39);
  return (Math.PI / 4) * diameterMm ** 2;
}

/** Of annealed copper at 20 °C, Ω mm²/m, and what it grows by for each kelvin; IEC 60028. */
const RESISTIVITY = 0.017241;
const PER_KELVIN = 0.00393;

/**
 * The resistance of a copper conductor; of a pair there are two.
 *
 * @param areaMm2 above 0
 * @returns Ω
 */
export function conductorOhm(areaMm2: number, lengthM: number, celsius = 20): number {
  return ((RESISTIVITY * lengthM) / areaMm2) * (1 + PER_KELVIN * (celsius - 20));
}
