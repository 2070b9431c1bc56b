import Button from '@mui/material/Button';
import { useState } from 'react';
import { Field } from '../shared/Field';
import { keepPicture, keptPicture, readPicture, scaled, type Picture } from '../drawing/Beneath';
import { read, say, unitOf, type Units } from '../shared/units';
import css from './setup.module.css';
import { FileInput } from '../shared/FileInput';

interface At {
  x: number;
  y: number;
}

/** What a stroke on the plan does to the picture beneath. */
export type Stroke = 'move' | 'measure' | '';

export interface Beneath {
  picture: Picture | null;
  stroke: Stroke;
  setStroke: (s: Stroke) => void;
  /** A stroke is made, from here to there. */
  made: (from: At, to: At) => void;
  measured: { from: At; to: At } | null;
  change: (p: Picture | null) => void;
  setMeasured: (m: { from: At; to: At } | null) => void;
  full: boolean;
}

/** The picture beneath the plan of an orchard, as this browser keeps it. */
export function useBeneath(slug: string): Beneath {
  const [picture, setPicture] = useState(() => keptPicture(slug));
  const [stroke, setStroke] = useState<Stroke>('');
  const [measured, setMeasured] = useState<{ from: At; to: At } | null>(null);
  const [full, setFull] = useState(false);
  const change = (p: Picture | null) => {
    setPicture(p);
    setFull(!keepPicture(slug, p));
  };
  const made = (from: At, to: At) => {
    if (stroke === 'move' && picture)
      change({ ...picture, x: picture.x + to.x - from.x, y: picture.y + to.y - from.y });
    if (stroke === 'measure') setMeasured({ from, to });
    setStroke('');
  };
  return { picture, stroke, setStroke, made, measured, change, setMeasured, full };
}

interface Props {
  b: Beneath;
  units: Units;
  /** Upper left corner of the plan and its width, m. */
  plan: { x: number; y: number; widthM: number };
}

/** Lays a picture beneath the plan, scales it by one known length, moves, turns it, takes it away. */
export function BeneathTools({ b, units, plan }: Props) {
  const [length, setLength] = useState('');
  const [trouble, setTrouble] = useState('');
  const p = b.picture;
  const lay = (file: File) => {
    setTrouble('');
    readPicture(file, plan).then(b.change, () => setTrouble(`${file.name} is no picture that this browser can read.`));
  };
  const trueM = read(length, 'm', units);
  const shownM = b.measured ? Math.hypot(b.measured.to.x - b.measured.from.x, b.measured.to.y - b.measured.from.y) : 0;
  const take = () => {
    if (!p || !b.measured || !trueM || trueM <= 0 || shownM <= 0) return;
    b.change(scaled(p, b.measured.from, shownM, trueM));
    b.setMeasured(null);
    setLength('');
  };
  const press = (s: 'move' | 'measure') => b.setStroke(b.stroke === s ? '' : s);
  return (
    <div className="beneath">
      <div className="chips" role="group" aria-label="A picture beneath the plan">
        <label className="filechip">
          {p ? 'Another picture' : 'Lay a picture beneath'}
          <FileInput accept="image/*" onFile={lay} />
        </label>
        {p && (
          <>
            <button type="button" aria-pressed={b.stroke === 'measure'} onClick={() => press('measure')}>
              A known length
            </button>
            <button type="button" aria-pressed={b.stroke === 'move'} onClick={() => press('move')}>
              Move it
            </button>
            <button type="button" onClick={() => b.change(null)}>
              Take it away
            </button>
            <label className="sm turn">
              Turned{' '}
              <input
                type="range"
                min={-180}
                max={180}
                step={1}
                value={p.turn}
                aria-valuetext={`${String(p.turn)} degrees`}
                onChange={(e) => b.change({ ...p, turn: Number(e.target.value) })}
              />{' '}
              {p.turn}°
            </label>
          </>
        )}
      </div>
      {b.stroke === 'measure' && (
        <p className="sm q" role="status">
          Draw along something whose length you know: a wall, a row, a path.
        </p>
      )}
      {b.measured && (
        <div className={`acts ${css.known}`}>
          <Field
            size="small"
            label={`So long is what you drew along, ${unitOf('m', units)}`}
            value={length}
            onChange={(e) => setLength(e.target.value)}
            onKeyDown={(e) => {
              if (e.key === 'Enter') {
                e.preventDefault();
                take();
              }
            }}
            helperText={`as the picture lies, ${say(Math.round(shownM * 100) / 100, 'm', units)}`}
          />
          <Button variant="outlined" disabled={!trueM || trueM <= 0} onClick={take}>
            Scale the picture
          </Button>
        </div>
      )}
      {trouble && (
        <p className="trouble" role="alert">
          {trouble} It takes photos and drawings (JPEG, PNG, WebP).
        </p>
      )}
      {b.full && (
        <p className="trouble" role="alert">
          This browser has no room to keep the picture: it lies beneath until the page is left.
        </p>
      )}
      {p && <p className="sm q">The picture stays in this browser. What you draw over it is kept with the orchard.</p>}
    </div>
  );
}
