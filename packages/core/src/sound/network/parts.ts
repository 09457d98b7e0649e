/** Parts of a channel's network, from its amplifier's output to the cones, each between two nodes. */

/**
 * A moving-coil driver as it loads its channel: the coil in series with what the moving mass, its suspension and their loss are to it.
 *
 * @see Thiele, Loudspeakers in Vented Boxes, JAES 1971; Small, Direct-Radiator Loudspeaker System Analysis, JAES 1972 (from memory)
 */
export type Driver = {
  /** Of the coil at direct current. */
  readonly coilOhm: number;
  readonly coilHenry: number;
  /** Null where nobody says: then it is its coil alone. */
  readonly resonance: Resonance | null;
};
export type Resonance = {
  readonly hz: number;
  /** What the impedance has over the coil's at the resonance. */
  readonly peakOhm: number;
  /** Mechanical Q. */
  readonly q: number;
};

type Between = {
  readonly id: string;
  /** Names of nodes. */
  readonly from: string;
  readonly to: string;
};
export type NetworkPart = Between &
  (
    | { readonly kind: 'resistor'; readonly ohm: number }
    | { readonly kind: 'capacitor'; readonly farad: number }
    /** With the resistance of its wire. */
    | { readonly kind: 'coil'; readonly henry: number; readonly ohm: number }
    | { readonly kind: 'driver'; readonly driver: Driver }
  );

/** A complex figure that is written into by whoever asks for one: no object for each frequency. */
export type Complex = { re: number; im: number };

/**
 * @param omega angular frequency, 1/s
 * @param out told the admittance, S
 */
export function admittance(part: NetworkPart, omega: number, out: Complex): void {
  switch (part.kind) {
    case 'resistor':
      out.re = 1 / part.ohm;
      out.im = 0;
      return;
    case 'capacitor':
      out.re = 0;
      out.im = omega * part.farad;
      return;
    case 'coil':
      inverted(part.ohm, omega * part.henry, out);
      return;
    case 'driver':
      impedanceOf(part.driver, omega, out);
      inverted(out.re, out.im, out);
  }
}

/** Re + jωLe + Res / (1 + jQ(f/fs − fs/f)), ohm. */
export function impedanceOf({ coilOhm, coilHenry, resonance }: Driver, omega: number, out: Complex): void {
  out.re = coilOhm;
  out.im = omega * coilHenry;
  if (!resonance) return;
  const { hz, peakOhm, q } = resonance;
  const ratio = omega / (2 * Math.PI * hz);
  const off = q * (ratio - 1 / ratio);
  const share = peakOhm / (1 + off * off);
  out.re += share;
  out.im -= share * off;
}

function inverted(re: number, im: number, out: Complex): void {
  const size = re * re + im * im;
  out.re = re / size;
  out.im = -im / size;
}

/** What cannot be, or null: each figure has to be there and above nothing, but for a coil's own resistance. */
export function partFault(part: NetworkPart): string | null {
  const { id, from, to } = part;
  if (from === to) return `${id}: both of its ends are at ${from}. It lies between two different nodes.`;
  for (const [figure, value, least] of figuresOf(part))
    if (!(Number.isFinite(value) && (least === 'none' ? value >= 0 : value > 0)))
      return `${id}: ${value} was read as its ${figure}. ${least === 'none' ? 'Nothing or more' : 'More than nothing'} would do.`;
  return null;
}

type Checked = readonly [figure: string, value: number, least: 'none' | 'some'];

function figuresOf(part: NetworkPart): readonly Checked[] {
  switch (part.kind) {
    case 'resistor':
      return [['resistance, Ω', part.ohm, 'some']];
    case 'capacitor':
      return [['capacitance, F', part.farad, 'some']];
    case 'coil':
      return [
        ['inductance, H', part.henry, 'some'],
        ['resistance of its wire, Ω', part.ohm, 'none'],
      ];
    case 'driver': {
      const { coilOhm, coilHenry, resonance } = part.driver;
      return [
        ['resistance of its coil, Ω', coilOhm, 'some'],
        ['inductance of its coil, H', coilHenry, 'none'],
        ...(resonance
          ? ([
              ['resonance, Hz', resonance.hz, 'some'],
              ['peak at its resonance, Ω', resonance.peakOhm, 'some'],
              ['mechanical Q', resonance.q, 'some'],
            ] as const)
          : []),
      ];
    }
  }
}
