// Says whether the types were made from the contract as it stands.
import { readFileSync } from 'node:fs';
import { holds } from './seal.mjs';

const [, , contract, types] = globalThis.process.argv;
if (!holds(readFileSync(contract, 'utf8'), readFileSync(types, 'utf8'))) {
  globalThis.console.error(`${types} has drifted from ${contract}: run make types`);
  globalThis.process.exit(1);
}
