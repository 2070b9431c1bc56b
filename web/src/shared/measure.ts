import { useEffect, useState } from 'react';

/** The width of an element, followed as it changes, from the moment it is there. */
export function useWidth(initial: number) {
  const [el, setEl] = useState<HTMLElement | null>(null);
  const [width, setWidth] = useState(initial);
  useEffect(() => {
    if (!el) return;
    const read = () => setWidth(el.clientWidth || initial);
    read();
    if (typeof ResizeObserver === 'undefined') return;
    const o = new ResizeObserver(read);
    o.observe(el);
    return () => o.disconnect();
  }, [el, initial]);
  const measure: (el: HTMLElement | null) => void = setEl;
  return [measure, width, el] as const;
}
