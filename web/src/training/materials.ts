import type { RigDone } from './queries';

export type Material = NonNullable<RigDone['act']['material']>;

const names: Record<Material, string> = {
  'stretch-tape': 'stretch tape',
  cloth: 'strip of cloth',
  jute: 'jute',
  cord: 'cord',
  wood: 'wood',
  bamboo: 'bamboo',
  metal: 'metal',
};

const of = (...list: Material[]) => list.map((value) => ({ value, name: names[value] }));

/** What a device is made of, the usual first. */
export const materials = {
  bend: of('stretch-tape', 'cloth', 'jute', 'cord', 'wood', 'bamboo'),
  stake: of('wood', 'bamboo', 'metal'),
  wire: [{ value: 'metal' as const, name: 'wire' }, ...of('cord')],
};
