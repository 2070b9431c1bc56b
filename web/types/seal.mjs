// The types carry a seal of the contract they were made from and of themselves, so that a check needs neither the maker nor its libraries.
import { createHash } from 'node:crypto';

const seal = (contract, types) => createHash('sha256').update(contract).update('\0').update(types).digest('hex');

/** The file of the types, its seal in the head. */
export const sealed = (contract, types) =>
  `/** Made from api/openapi.json by make types; not edited by hand. Seal ${seal(contract, types)} */\n\n${types}`;

/** Whether the file was made from this contract and not touched since. */
export const holds = (contract, file) => {
  const end = file.indexOf('\n\n');
  return end > 0 && file === sealed(contract, file.slice(end + 2));
};
