/** A place on a drawing, y downwards. */
export interface Spot {
  x: number;
  y: number;
}

/** The angle at a fork between what goes up from it and a limb, degrees: 0 along the upright, 90 level, up to 180. */
export function angleAt(fork: Spot, up: Spot, limb: Spot): number {
  const a = { x: up.x - fork.x, y: up.y - fork.y };
  const b = { x: limb.x - fork.x, y: limb.y - fork.y };
  const cross = a.x * b.y - a.y * b.x;
  const dot = a.x * b.x + a.y * b.y;
  return (Math.abs(Math.atan2(cross, dot)) * 180) / Math.PI;
}

/** Where a pointer is on a drawing, in the drawing's own units. */
export function spotOn(svg: SVGSVGElement, e: { clientX: number; clientY: number }): Spot {
  const box = svg.getBoundingClientRect();
  const view = svg.viewBox.baseVal;
  const k = Math.max(view.width / Math.max(1, box.width), view.height / Math.max(1, box.height)); // drawn whole, in the middle
  return {
    x: (e.clientX - box.left - box.width / 2) * k + view.x + view.width / 2,
    y: (e.clientY - box.top - box.height / 2) * k + view.y + view.height / 2,
  };
}
