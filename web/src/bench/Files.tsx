import Button from '@mui/material/Button';
import { useRef, useState } from 'react';
import { Trouble } from '../shared/Trouble';
import { useImportMap } from './queries';
import css from './bench.module.css';
import { FileInput } from '../shared/FileInput';

interface Props {
  which: { slug: string; id: string; day: string };
  revision: number;
  mapped: boolean;
}

const formats = [
  { end: 'json', name: 'JSON', what: 'the whole map' },
  { end: 'csv', name: 'CSV', what: 'a row a limb' },
  { end: 'mtg', name: 'MTG', what: 'for plant architecture' },
  { end: 'gltf', name: 'glTF', what: 'for 3D viewers' },
];

/** A limb map out as open formats, and in from two of them. */
export function Files({ which, revision, mapped }: Props) {
  const bring = useImportMap(which);
  const file = useRef<HTMLInputElement>(null);
  const [name, setName] = useState('');
  const read = async (f: File) => {
    setName(f.name);
    const text = await f.text();
    bring.mutate({ based_on: revision, format: f.name.toLowerCase().endsWith('.csv') ? 'csv' : 'json', text });
  };
  return (
    <details className={css.files}>
      <summary>Files</summary>
      {mapped && (
        <p className="sm">
          Out:{' '}
          {formats.map((f) => (
            <a
              key={f.end}
              title={f.what}
              download
              href={`/api/orchards/${which.slug}/trees/${encodeURIComponent(which.id)}/limbs.${f.end}?day=${which.day}`}
            >
              {f.name}
            </a>
          ))}
          <a href="/api/schemas/limb-map.json">schema</a>
        </p>
      )}
      <FileInput
        ref={file}
        accept=".json,.csv,application/json,text/csv"
        className="visually-hidden"
        aria-label="Limb map from a file"
        tabIndex={-1}
        onFile={(f) => void read(f)}
      />
      <Button size="small" disabled={bring.isPending} onClick={() => file.current?.click()}>
        In from JSON or CSV
      </Button>
      {bring.isSuccess && (
        <p className="sm" role="status">
          Read from {name}. The map before it is kept: undo brings it back.
        </p>
      )}
      <Trouble error={bring.error} holds={bring.error ? 'The map on the screen is unchanged.' : ''} />
    </details>
  );
}
