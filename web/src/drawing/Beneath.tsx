import { forget, keep, kept } from '../shared/browser';
import { shrunk } from '../shared/picture';

/**
 * A picture of the plot that lies beneath the plan while one draws on it: a sketch, a plan, a photo from above. It is kept in this browser
 * alone; what is drawn over it is what the program knows.
 */
export interface Picture {
  /** As a data address. */
  data: string;
  /** Size, pixels. */
  w: number;
  h: number;
  /** Its upper left corner, m east and north. */
  x: number;
  y: number;
  mPerPx: number;
  /** Degrees clockwise, about its middle. */
  turn: number;
}

const name = (slug: string) => `vertumna-beneath/${slug}`;

export function keptPicture(slug: string): Picture | null {
  const text = kept(name(slug));
  if (!text) return null;
  try {
    const p: Picture = JSON.parse(text);
    return p.data.startsWith('data:image/') && p.w > 0 && p.h > 0 && p.mPerPx > 0 ? p : null;
  } catch {
    return null;
  }
}

/** Keeps the picture, or with none takes it away; false where the browser has no room for it. */
export function keepPicture(slug: string, p: Picture | null): boolean {
  if (p) return keep(name(slug), JSON.stringify(p));
  forget(name(slug));
  return true;
}

interface Props {
  p: Picture;
  X: (m: number) => number;
  Y: (m: number) => number;
  /** Pixels a metre. */
  s: number;
}

export function Beneath({ p, X, Y, s }: Props) {
  const [w, h] = [p.w * p.mPerPx * s, p.h * p.mPerPx * s];
  return (
    <image
      href={p.data}
      x={X(p.x)}
      y={Y(p.y)}
      width={w}
      height={h}
      opacity={0.55}
      preserveAspectRatio="none"
      transform={`rotate(${String(p.turn)} ${String(X(p.x) + w / 2)} ${String(Y(p.y) + h / 2)})`}
      aria-hidden="true"
      pointerEvents="none"
    />
  );
}

/** Reads a picture file, as large as is of use, laid over a width of so many metres from a corner. */
export async function readPicture(file: Blob, at: { x: number; y: number; widthM: number }): Promise<Picture> {
  const small = await shrunk(file);
  return {
    ...small,
    x: at.x,
    y: at.y,
    mPerPx: at.widthM / small.w,
    turn: 0,
  };
}

/** The picture with a length on it set right: what lies under `from` stays where it is. */
export function scaled(p: Picture, from: { x: number; y: number }, shownM: number, trueM: number): Picture {
  const k = trueM / shownM;
  return { ...p, mPerPx: p.mPerPx * k, ...keptUnder(p, from, k) };
}

/** Where the corner goes when the picture grows k times and a place on it stays; a turn is about the middle, so that is what is moved. */
function keptUnder(p: Picture, from: { x: number; y: number }, k: number): { x: number; y: number } {
  const [w, h] = [p.w * p.mPerPx, p.h * p.mPerPx];
  const middle = { x: p.x + w / 2, y: p.y - h / 2 };
  const moved = { x: from.x + (middle.x - from.x) * k, y: from.y + (middle.y - from.y) * k };
  return { x: moved.x - (w * k) / 2, y: moved.y + (h * k) / 2 };
}
