/** How long the networks of a car's channels take, each at every frequency that can be heard, and how long their judging. The last line is JSON. */
import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import {
  audibleFrequencies,
  type JudgedChannel,
  judgeChannel,
  leastImpedance,
  type NetworkPart,
  solveNetwork,
} from '@low-quarry/core/sound';
import { type RunNgspice, worstAgainstNgspice } from '@low-quarry/core/testing/ngspice';
import { randomNetwork } from '@low-quarry/core/testing/randomNetwork';

const CHANNELS = 12;
const CHANGES = 60;
const WARM_UP = 20;
/** To the octave, as a curve on a screen has them. */
const PER_OCTAVE = 24;

/** A woofer behind its low-pass, beside a tweeter behind its high-pass and pad: two of second order. */
function channel(at: number, farad: number): readonly NetworkPart[] {
  const driver = (coilOhm: number, hz: number) => ({
    coilOhm,
    coilHenry: 0.3e-3,
    resonance: { hz: hz + at, peakOhm: 20, q: 4 },
  });
  return [
    { kind: 'coil', id: 'low coil', from: 'in', to: 'low', henry: 0.3e-3, ohm: 0.2 },
    { kind: 'capacitor', id: 'low capacitor', from: 'low', to: '0', farad: 9.4e-6 },
    { kind: 'driver', id: 'woofer', from: 'low', to: '0', driver: driver(3.3, 62) },
    { kind: 'capacitor', id: 'high capacitor', from: 'in', to: 'high', farad },
    { kind: 'coil', id: 'high coil', from: 'high', to: '0', henry: 0.28e-3, ohm: 0.2 },
    { kind: 'resistor', id: 'pad', from: 'high', to: 'pad', ohm: 1 },
    { kind: 'resistor', id: 'pad across', from: 'pad', to: '0', ohm: 8 },
    { kind: 'driver', id: 'tweeter', from: 'pad', to: '0', driver: driver(3.4, 1200) },
  ];
}

const hz = audibleFrequencies(PER_OCTAVE);
const took: number[] = [];
for (let change = 0; change < WARM_UP + CHANGES; change++) {
  const start = performance.now();
  for (let at = 0; at < CHANNELS; at++) {
    const found = solveNetwork(channel(at, (6 + change / 100) * 1e-6), 'in', hz);
    if (!found.ok) throw new Error(found.failure);
    if (!(leastImpedance(found.value).ohm > 1)) throw new Error('soundBench: expected a load of more than 1 Ω');
  }
  if (change >= WARM_UP) took.push(performance.now() - start);
}

/** A coaxial beside a tweeter behind its capacitor: judged by load, band, power and wire. */
function judged(at: number, nominalOhm: number): JudgedChannel {
  const electrics = { nominalOhm, coilOhm: null, coilMh: null, resonanceHz: null, totalQ: null };
  const load = {
    electrics,
    line: null,
    crossover: null,
    isNew: true,
    isInDoor: true,
    rmsW: 50,
    sensitivity: { db: 90, at: '1 W' },
  } as const;
  return {
    ...{ name: `channel ${at}`, band: 'full', leastOhm: 3, power: { watt: 20, rating: 'RMS', atOhm: 4 } },
    ...{ isRadio: true, isNewSource: false, joined: 'parallel', wire: null, boot: null },
    loads: [
      { ...load, label: 'door', kind: 'coaxial', before: { kind: 'nothing' } },
      { ...load, label: 'sail', kind: 'tweeter', isNew: false, before: { kind: 'capacitor', farad: null } },
    ],
  };
}

// One of them changes at a time, as under a hand.
const judging: number[] = [];
for (let change = 0; change < WARM_UP + CHANGES; change++) {
  const start = performance.now();
  for (let at = 0; at < CHANNELS; at++)
    if (judgeChannel(judged(at, at === 0 ? 4 + change / 100 : 4 + at), 0.975).length !== 4)
      throw new Error('soundBench: expected 4 checks');
  if (change >= WARM_UP) judging.push(performance.now() - start);
}
for (const times of [took, judging]) times.sort((a, b) => a - b);
const middle = (times: readonly number[]) => times[Math.floor(times.length / 2)] as number;
const [channelMs, judgedMs] = [middle(took), middle(judging)];
console.log(
  `${CHANNELS} channels at ${hz.length} frequencies: ${channelMs.toFixed(2)} ms, the slowest ${took.at(-1)?.toFixed(2)} ms; judged: ${judgedMs.toFixed(2)} ms`,
);
const run: RunNgspice = (netlist) => {
  const dir = mkdtempSync(path.join(os.tmpdir(), 'low-quarry-network-'));
  try {
    const [out, file] = [path.join(dir, 'out.txt'), path.join(dir, 'networks.cir')];
    writeFileSync(file, netlist(out));
    execFileSync('ngspice', ['-b', file], { stdio: 'ignore' });
    return readFileSync(out, 'utf8');
  } finally {
    rmSync(dir, { recursive: true });
  }
};

const REFEREED = 300;
const { ratio, degrees } = worstAgainstNgspice(
  Array.from({ length: REFEREED }, (_, at) => randomNetwork(4000 + at)),
  run,
);
const spiceWorstPercent = Number((100 * ratio).toPrecision(2));
console.log(`${REFEREED} networks against ngspice: at most ${spiceWorstPercent} % and ${degrees.toPrecision(2)}° off`);
console.log(
  JSON.stringify({
    channelMs: Number(channelMs.toFixed(2)),
    channelsJudgedMs: Number(judgedMs.toFixed(2)),
    spiceWorstPercent,
  }),
);
