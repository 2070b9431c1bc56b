import type { Spot } from './wood';

export interface Label<T> {
  item: T;
  at: Spot;
  label: Spot;
}

interface Frame {
  left: number;
  right: number;
  top: number;
  bottom: number;
}

const apart = 25;
const arm = 26;
const rounds = 60;

/** Puts a round label beside each spot, outward from the trunk, and pushes labels apart until they keep their distance. */
export function spread<T>(items: readonly { item: T; at: Spot }[], trunkX: number, frame: Frame): Label<T>[] {
  const out = items.map(({ item, at }, i) => {
    const side = at.x >= trunkX ? 1 : -1;
    return { item, at, label: keep({ x: at.x + side * arm, y: at.y - 12 + ((i * 7) % 9) }, frame) };
  });
  for (let n = 0; n < rounds; n++) {
    let moved = false;
    for (let i = 0; i < out.length; i++)
      for (let j = i + 1; j < out.length; j++) {
        const a = out[i];
        const b = out[j];
        if (!a || !b) continue;
        let dx = b.label.x - a.label.x;
        let dy = b.label.y - a.label.y;
        const d = Math.hypot(dx, dy);
        if (d >= apart) continue;
        if (d < 0.01) {
          dx = 0.3;
          dy = 1;
        }
        const l = Math.hypot(dx, dy);
        const by = (apart - d) / 2 + 0.2;
        a.label = keep({ x: a.label.x - (dx / l) * by, y: a.label.y - (dy / l) * by }, frame);
        b.label = keep({ x: b.label.x + (dx / l) * by, y: b.label.y + (dy / l) * by }, frame);
        moved = true;
      }
    if (!moved) break;
  }
  return out;
}

function keep(p: Spot, f: Frame): Spot {
  return { x: Math.max(f.left, Math.min(f.right, p.x)), y: Math.max(f.top, Math.min(f.bottom, p.y)) };
}
