import { useEffect, useRef, useState } from 'react';

/** The width of an element, followed as it changes. */
export function useWidth<T extends HTMLElement>(initial: number) {
  const ref = useRef<T>(null);
  const [width, setWidth] = useState(initial);
  useEffect(() => {
    const el = ref.current;
    if (!el) return;
    setWidth(el.clientWidth || initial);
    if (typeof ResizeObserver === 'undefined') return;
    const o = new ResizeObserver(() => setWidth(el.clientWidth || initial));
    o.observe(el);
    return () => o.disconnect();
  }, [initial]);
  return [ref, width] as const;
}
