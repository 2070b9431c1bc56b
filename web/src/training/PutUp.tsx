import Button from '@mui/material/Button';
import { useState } from 'react';
import { Select } from '../shared/plain';
import { materials, type Material } from './materials';
import { Segments } from '../shared/Segments';
import { Trouble } from '../shared/Trouble';
import { useHere } from '../shared/orchard';
import { useOfferUndo } from '../shared/undo';
import { read, show, unitOf } from '../shared/units';
import { useLogRig, type Rig, type Which } from './queries';
import css from './training.module.css';

type Standing = 'stake' | 'wire';

/** What stays with a tree: a stake, a wire at its height. Looked after like what bends, and never forgotten. */
export function PutUp({ which, wires, rigs }: { which: Which; wires: readonly number[]; rigs: readonly Rig[] }) {
  const { units } = useHere();
  const offer = useOfferUndo();
  const log = useLogRig(which);
  const [device, setDevice] = useState<Standing>(wires.length > 0 ? 'wire' : 'stake');
  const up = new Set(rigs.filter((r) => r.rig.device === 'wire').map((r) => Math.round(r.rig.at_cm ?? 0)));
  const next = wires.find((w) => !up.has(Math.round(w)));
  const [typed, setTyped] = useState<string>();
  const [material, setMaterial] = useState<Material>();
  const usual = device === 'wire' ? next : 60;
  const height = typed === undefined ? usual : read(typed, 'cm', units);
  const of = material && materials[device].some((m) => m.value === material) ? material : materials[device][0]?.value;
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
    <details className={css.putup}>
      <summary>Put up a stake or a wire</summary>
      <Segments
        label="What is put up"
        small
        all={[
          { value: 'stake', name: 'stake' },
          { value: 'wire', name: 'wire' },
        ]}
        value={device}
        onChange={setDevice}
      />
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
        of <Select<Material> all={materials[device]} value={of ?? ''} onChange={setMaterial} />
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
