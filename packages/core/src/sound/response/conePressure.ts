/**
 * What a driver makes of its voltage, as the pressure it gives to the one side. Far above its resonance, and below where its coil's inductance counts,
 * pressure goes with the voltage alone: that is what its sensitivity says. Against that everything here is told.
 */
import type { Complex, Driver } from '../network/parts';

/**
 * By what the pressure differs from the voltage's own: j f/fs times the voltage at what moves (Zm), in the place of what it is far above the
 * resonance (Re fs / j Qes f of it). Without inductance that is the second-order high-pass of a driver in a large closed box.
 *
 * @see Small, Direct-Radiator Loudspeaker System Analysis, JAES 1972 (from memory)
 * @param missed the share of the inductance that counts, from 0 to 1
 * @param out told 1 where the driver plays as its sensitivity says
 */
export function conePressure(
  { coilOhm, coilHenry, resonance }: Driver,
  missed: number,
  hz: number,
  out: Complex,
): void {
  if (!resonance) throw new Error('conePressure: expected a driver with its resonance, got one without');
  const { hz: fs, peakOhm, q } = resonance;
  const x = hz / fs;
  const off = q * (x - 1 / x);
  // Zm / Z = peak / ((Re + jωLe)(1 + j off) + peak)
  const reactance = 2 * Math.PI * hz * coilHenry * missed;
  const re = coilOhm - reactance * off + peakOhm;
  const im = reactance + coilOhm * off;
  // times j x Qms Re / peak
  const by = x * q * coilOhm;
  const size = re * re + im * im;
  out.re = (by * im) / size;
  out.im = (by * re) / size;
}
