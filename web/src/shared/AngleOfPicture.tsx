import Button from '@mui/material/Button';
import { useRef, useState, type KeyboardEvent } from 'react';
import { shrunk, type Shrunk } from './picture';
import { angleAt, spotOn, type Spot } from './turned';
import css from './shared.module.css';
import { FileInput } from './FileInput';

const order = ['fork', 'up', 'limb'] as const;
type Point = (typeof order)[number];

const names: Record<Point, string> = {
  fork: 'the fork',
  up: 'up the trunk',
  limb: 'along the limb',
};

const steps: Record<string, Spot> = {
  ArrowLeft: { x: -1, y: 0 },
  ArrowRight: { x: 1, y: 0 },
  ArrowUp: { x: 0, y: -1 },
  ArrowDown: { x: 0, y: 1 },
};

interface Props {
  limb: string;
  /** What is done with the angle, in degrees from the upright. */
  onTake: (deg: number) => void;
  take: string;
}

/** The angle of a limb off a picture: three points on it, the fork, the upright, the limb. The picture stays in this browser. */
export default function AngleOfPicture({ limb, onTake, take }: Props) {
  const [picture, setPicture] = useState<Shrunk>();
  const [trouble, setTrouble] = useState('');
  const [points, setPoints] = useState<Record<Point, Spot>>();
  const [held, setHeld] = useState<Point>();
  const svg = useRef<SVGSVGElement>(null);
  const open = (file: File) => {
    setTrouble('');
    shrunk(file).then(
      (p) => {
        setPicture(p);
        setPoints({
          fork: { x: p.w * 0.45, y: p.h * 0.75 },
          up: { x: p.w * 0.45, y: p.h * 0.25 },
          limb: { x: p.w * 0.75, y: p.h * 0.4 },
        });
      },
      () => setTrouble(`${file.name} is no picture that this browser can read.`),
    );
  };
  const move = (which: Point, to: Spot) => {
    if (!picture || !points) return;
    const within = (v: number, most: number) => Math.max(0, Math.min(most, v));
    setPoints({ ...points, [which]: { x: within(to.x, picture.w), y: within(to.y, picture.h) } });
  };
  const byKey = (which: Point, e: KeyboardEvent) => {
    const step = steps[e.key];
    if (!step || !points || !picture) return;
    e.preventDefault();
    const far = (picture.w / 100) * (e.shiftKey ? 5 : 1);
    move(which, { x: points[which].x + step.x * far, y: points[which].y + step.y * far });
  };
  const deg = points ? angleAt(points.fork, points.up, points.limb) : 0;
  const r = picture ? Math.max(picture.w, picture.h) / 45 : 0;
  return (
    <div className={css.angleofpicture}>
      <p className="sm">
        Take it square to {limb}, with the trunk upright in it: seen from its end a limb looks steeper than it is. The
        picture stays in this browser.
      </p>
      <div className="chips">
        <label className="filechip">
          {picture ? 'Another picture' : 'A picture of the limb'}
          <FileInput accept="image/*" onFile={open} />
        </label>
      </div>
      {trouble && <p className="over">{trouble}</p>}
      {picture && points && (
        <>
          <svg
            ref={svg}
            viewBox={`0 0 ${String(picture.w)} ${String(picture.h)}`}
            role="group"
            aria-label="The picture with its three points"
            onPointerMove={(e) => held && svg.current && move(held, spotOn(svg.current, e))}
            onPointerUp={() => setHeld(undefined)}
            onPointerCancel={() => setHeld(undefined)}
          >
            <image href={picture.data} width={picture.w} height={picture.h} />
            <path
              d={`M${String(points.up.x)} ${String(points.up.y)}L${String(points.fork.x)} ${String(points.fork.y)}L${String(points.limb.x)} ${String(points.limb.y)}`}
              className={`${css.sightline} wide`}
              strokeWidth={r * 0.5}
            />
            <path
              d={`M${String(points.up.x)} ${String(points.up.y)}L${String(points.fork.x)} ${String(points.fork.y)}L${String(points.limb.x)} ${String(points.limb.y)}`}
              className={css.sightline}
              strokeWidth={r * 0.2}
            />
            {order.map((which) => (
              <g
                key={which}
                role="button"
                tabIndex={0}
                aria-label={`${names[which]}: drag it, or move it with the arrow keys`}
                aria-describedby="angle-read"
                onKeyDown={(e) => byKey(which, e)}
                onPointerDown={(e) => {
                  svg.current?.setPointerCapture(e.pointerId);
                  setHeld(which);
                }}
              >
                <circle cx={points[which].x} cy={points[which].y} r={r * 2} fill="transparent" />
                <circle cx={points[which].x} cy={points[which].y} r={r} className={css.pin} strokeWidth={r * 0.3} />
              </g>
            ))}
          </svg>
          <p role="status" id="angle-read">
            <b className="num">{Math.round(deg)}°</b> between trunk and limb.
          </p>
          <Button variant="outlined" onClick={() => onTake(Math.round(deg))}>
            {take}
          </Button>
        </>
      )}
    </div>
  );
}
