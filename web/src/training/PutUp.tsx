import Button from '@mui/material/Button';
import { useState } from 'react';
import { Trouble } from '../shared/Trouble';
import { useHere } from '../shared/orchard';
import { useOfferUndo } from '../shared/undo';
import { read, show, unitOf } from '../shared/units';
import { useLogRig, type Rig, type RigDone, type Which } from './queries';

type Act = RigDone['act'];
type Standing = 'stake' | 'wire';

const materials: Record<Standing, [NonNullable<Act['material']>, string][]> = {
  stake: [
    ['wood', 'wood'],
    ['bamboo', 'bamboo'],
    ['metal', 'metal'],
  ],
  wire: [
    ['metal', 'wire'],
    ['cord', 'cord'],
  ],
};

/** What stays with a tree: a stake, a wire at its height. Looked after like what bends, and never forgotten. */
export function PutUp({ which, wires, rigs }: { which: Which; wires: readonly number[]; rigs: readonly Rig[] }) {
  const { units } = useHere();
  const offer = useOfferUndo();
  const log = useLogRig(which);
  const [device, setDevice] = useState<Standing>(wires.length > 0 ? 'wire' : 'stake');
  const up = new Set(rigs.filter((r) => r.rig.device === 'wire').map((r) => Math.round(r.rig.at_cm ?? 0)));
  const next = wires.find((w) => !up.has(Math.round(w)));
  const [typed, setTyped] = useState<string>();
  const [material, setMaterial] = useState<Act['material']>();
  const usual = device === 'wire' ? next : 60;
  const height = typed === undefined ? usual : read(typed, 'cm', units);
  const of = material && materials[device].some(([m]) => m === material) ? material : materials[device][0]?.[0];
  const put = () =>
    log.mutate(
      {
        act: {
          act: 'on',
          id: '',
          device,
          anchor: device,
          ...(of ? { material: of } : {}),
          ...(height ? { at_cm: height } : {}),
        },
      },
      {
        onSuccess: (r) => {
          setTyped(undefined);
          offer({ id: r.entry.id, says: `The ${device} is logged.` });
        },
      },
    );
  return (
    <details className="putup">
      <summary>Put up a stake or a wire</summary>
      <div className="segments small" role="group" aria-label="What is put up">
        {(['stake', 'wire'] as const).map((d) => (
          <button key={d} type="button" aria-pressed={device === d} onClick={() => setDevice(d)}>
            {d}
          </button>
        ))}
      </div>
      <label className="sm">
        {device === 'wire' ? 'Height' : 'Tied at'}, {unitOf('cm', units)}{' '}
        <input
          inputMode="decimal"
          size={6}
          value={typed ?? (usual === undefined ? '' : show(usual, 'cm', units))}
          onChange={(e) => setTyped(e.target.value)}
        />
      </label>{' '}
      <label className="sm">
        of{' '}
        <select value={of} onChange={(e) => setMaterial(materials[device].find(([m]) => m === e.target.value)?.[0])}>
          {materials[device].map(([slug, name]) => (
            <option key={slug} value={slug}>
              {name}
            </option>
          ))}
        </select>
      </label>
      <Trouble error={log.error} holds={log.error ? 'Nothing was logged; what you set stands.' : ''} />
      <div className="acts">
        <Button size="small" variant="outlined" disabled={log.isPending || height === undefined} onClick={put}>
          It stands
        </Button>
      </div>
    </details>
  );
}
