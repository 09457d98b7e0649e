/** Debian's ngspice as referee: what an amplifier sees, and what reaches a part, of networks at random. */
import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { expect, test } from '@jest/globals';
import { type RunNgspice, worstAgainstNgspice } from '../../testing/ngspice';
import { randomNetwork } from '../../testing/randomNetwork';

const NETWORKS = 300;
/** Of size and of angle, degrees. */
const MOST_OFF = 1e-3;
const MOST_OFF_DEG = 0.1;

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

test(`${NETWORKS} networks of 2 to 20 parts`, () => {
  const { ratio, degrees } = worstAgainstNgspice(
    Array.from({ length: NETWORKS }, (_, at) => randomNetwork(4000 + at)),
    run,
  );
  expect(ratio).toBeLessThan(MOST_OFF);
  expect(degrees).toBeLessThan(MOST_OFF_DEG);
});
