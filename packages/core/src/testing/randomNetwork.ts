/** Networks as they hang on an amplifier, at random: every part is led to it, and every coil has some resistance. */
import { seededRandom } from '../math';
import type { NetworkPart } from '../sound/network/parts';

const MOST_PARTS = 20;

/** From 2 to 20 parts between the nodes `in` and `0`. */
export function randomNetwork(seed: number): readonly NetworkPart[] {
  const random = seededRandom(seed);
  const between = (least: number, most: number) => least * (most / least) ** random();
  const nodes = ['in', '0'];
  const pick = () => nodes[Math.floor(random() * nodes.length)] as string;
  const count = 2 + Math.floor(random() * (MOST_PARTS - 1));
  return Array.from({ length: count }, (_, at): NetworkPart => {
    const id = `p${at}`;
    const from = at === 0 ? 'in' : pick();
    let to = at === 0 ? '0' : pick();
    // A new node, or another one that is there.
    if (to === from || (at > 0 && random() < 0.4)) {
      to = `n${nodes.length}`;
      nodes.push(to);
    }
    const ends = { id, from, to };
    const draw = random();
    if (draw < 0.25) return { kind: 'resistor', ...ends, ohm: between(0.5, 47) };
    if (draw < 0.5) return { kind: 'capacitor', ...ends, farad: between(1e-6, 470e-6) };
    if (draw < 0.75) return { kind: 'coil', ...ends, henry: between(0.05e-3, 10e-3), ohm: between(0.05, 1) };
    const resonance = random() < 0.8 ? { hz: between(30, 1500), peakOhm: between(3, 60), q: between(0.8, 8) } : null;
    return {
      kind: 'driver',
      ...ends,
      driver: { coilOhm: between(1.5, 8), coilHenry: between(0.02e-3, 2e-3), resonance },
    };
  });
}
