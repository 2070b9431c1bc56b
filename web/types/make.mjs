// Makes the types of the contract: a list of fixed length becomes a tuple, one of any length stays a list.
import { readFileSync, writeFileSync } from 'node:fs';
import openapiTS, { astToString } from 'openapi-typescript';
import { sealed } from './seal.mjs';

const [, , contract, out] = globalThis.process.argv;

const loosened = (x) => {
  if (Array.isArray(x)) return x.map(loosened);
  if (typeof x !== 'object' || x === null) return x;
  const { minItems, maxItems, ...rest } = x;
  const fixed = minItems !== undefined && minItems === maxItems;
  return {
    ...Object.fromEntries(Object.entries(rest).map(([k, v]) => [k, loosened(v)])),
    ...(fixed ? { minItems, maxItems } : {}),
  };
};

const said = readFileSync(contract, 'utf8');
const types = astToString(await openapiTS(loosened(JSON.parse(said)), { arrayLength: true }));
writeFileSync(out, sealed(said, types));
