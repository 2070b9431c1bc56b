// The contract marks nothing as read or written only, so an answer is what the contract says, tuples and all: the library's own
// reading of such marks would make a list of any length of them.
export * from '../node_modules/openapi-typescript-helpers/dist/index.d.ts';
export type Readable<T> = T;
export type Writable<T> = T;
